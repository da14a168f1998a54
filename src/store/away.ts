import { type Fault, fault } from "../core/fault";

/** The database did not answer in time. */
export class Away extends Error {
  override name = "Away";
}

/** How often it is looked whether the work is done, ms. */
const TICK = 250;

/**
 * Waits so many ms and no longer, told in ticks: while this process itself is busy no tick passes, so that only the database’s silence counts.
 * Rejects with `Away`; the work itself goes on.
 */
export async function within<T>(ms: number, work: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    let left = Math.ceil(ms / TICK);
    const tick = (): void => {
      left -= 1;
      if (left > 0) timer = setTimeout(tick, TICK);
      else reject(new Away("the database does not answer"));
    };
    timer = setTimeout(tick, TICK);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

const codeOf = (e: unknown): string => String((e as { code?: unknown } | null)?.code ?? "");
const constraintOf = (e: unknown): string =>
  String((e as { constraint_name?: unknown } | null)?.constraint_name ?? "");

const KEY_TWICE = "This was sent before under the same key. Reload the page and try again.";
const TWICE = "Something with this mark is written down already. Reload the page and try again.";
const FULL = "The disk is full. Nothing typed is lost; make room, and it is written.";

/**
 * What the database refused of what was sent, as a fault; nothing where it is the database that failed.
 * Classes by PostgreSQL’s table of error codes: 23 integrity, 22 data, 53100 disk full.
 */
export function faultOfDatabase(
  e: unknown,
): { readonly status: 422 | 507; readonly fault: Fault } | undefined {
  const code = codeOf(e);
  if (code === "53100" || code === "ENOSPC") return { status: 507, fault: fault("DiskFull", FULL) };
  if (code === "23505" && constraintOf(e) === "event_key_key")
    return { status: 422, fault: fault("KeyReused", KEY_TWICE, ["key"]) };
  if (code === "23505") return { status: 422, fault: fault("Twice", TWICE) };
  if (code.startsWith("22") || code.startsWith("23"))
    return { status: 422, fault: fault("Unwritable", "That cannot be written down as it stands.") };
  return undefined;
}
