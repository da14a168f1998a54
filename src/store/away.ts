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

const AWAY = "The journal could not be reached just now. What you typed is kept; it will be sent again.";

/** A write that failed: refused, or the disk’s, the database’s or our own failing. Only 503 and 507 are sent again. */
export interface Failing {
  readonly status: 422 | 500 | 503 | 507;
  readonly fault: Fault;
}

/** Classes of PostgreSQL’s errors that pass: connection, resources, state, operator, transaction rolled back; and those of the line itself. */
const PASSING = /^(08|53|55|57|40|25P0|E[A-Z]|CONNECT|CONNECTION_)/;
const isAway = (e: unknown): boolean => e instanceof Away || PASSING.test(codeOf(e));
const noRoom = (e: unknown): boolean =>
  ["53100", "ENOSPC"].includes(codeOf(e)) || /no space left/i.test(String((e as Error | null)?.message));

/**
 * Whose failing it was. What is none of the others’ is our own: it is said so under a number that stands in the log, and is not sent again.
 * @param number by which the log is searched
 */
export function failingOf(e: unknown, number: () => string): Failing {
  if (noRoom(e)) return { status: 507, fault: fault("DiskFull", FULL) };
  const refused = faultOfDatabase(e);
  if (refused) return refused;
  if (isAway(e)) return { status: 503, fault: fault("StoreAway", AWAY) };
  const ours = `Something went wrong in this app, and it is ours, not yours: nothing was written, and what you typed is kept. It stands in the log under ${number()}.`;
  return { status: 500, fault: fault("Ours", ours) };
}

/**
 * What the database refused of what was sent, as a fault; nothing where it is something else that failed.
 * Classes by PostgreSQL’s table of error codes: 23 integrity, 22 data.
 */
function faultOfDatabase(e: unknown): Failing | undefined {
  const code = codeOf(e);
  if (code === "23505" && constraintOf(e) === "event_key_key")
    return { status: 422, fault: fault("KeyReused", KEY_TWICE, ["key"]) };
  if (code === "23505") return { status: 422, fault: fault("Twice", TWICE) };
  if (code.startsWith("22") || code.startsWith("23"))
    return { status: 422, fault: fault("Unwritable", "That cannot be written down as it stands.") };
  return undefined;
}
