import type { z } from "zod";

/** A journal entry that cannot be read: a type from a newer build, or a body that is not what its type says. */
export class UnreadableEvent extends Error {
  override name = "UnreadableEvent";
}

/** What every entry of every journal carries round its body. */
export interface Envelope<T extends string, B> {
  readonly type: T;
  readonly version: number;
  readonly streamId: string;
  readonly seq: number;
  /** The writer's idempotency key. */
  readonly key: string;
  /** The maker's time, ISO instant. */
  readonly at: string;
  /** The household's calendar day of `at`. */
  readonly day: string;
  readonly body: B;
}

/**
 * Reads stored bodies of one kind of journal: parsed, refused where the type is not known or the version newer, never skipped. Throws `UnreadableEvent`.
 * @param journal how the journal is called in what is said, e.g. "the stores"
 */
export function bodyReader(journal: string, bodies: Readonly<Record<string, z.ZodType>>, versions: Readonly<Record<string, number>>): (type: string, version: number, body: unknown) => unknown {
  return (type, version, body) => {
    const schema = bodies[type];
    if (!schema) throw new UnreadableEvent(`${journal} holds an entry of type “${type}”, which this build does not know; start the newer build`);
    if (version > versions[type]!) throw new UnreadableEvent(`${journal} holds “${type}” in version ${version}, newer than this build reads`);
    const parsed = schema.safeParse(body);
    if (!parsed.success) throw new UnreadableEvent(`an entry “${type}” of ${journal} cannot be read: ${parsed.error.issues[0]?.message ?? "unknown"}`);
    return parsed.data;
  };
}

/** Entries by the maker's time, then by order of writing: the order every journal is folded in. */
export const inOrder = <E extends { readonly at: string; readonly seq: number }>(events: readonly E[]): E[] => [...events].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.seq - b.seq));
