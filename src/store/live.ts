import { connect, urlOfHouse } from "./db";
import type { Tx } from "./db";

/*
 * What is written is told to every open page. An entry tells its key and its stream on a channel of the database when its transaction is done, so that whatever wrote it,
 * another server or a tool, is heard as well.
 */
const CHANNEL = "jolly_journal";
/** Said instead of a key where something may have been missed. */
const AGAIN = "again";

/** Told when the transaction is done, and not at all where it is undone. */
export const tell = async (tx: Tx, key: string, stream: string): Promise<void> =>
  void (await tx`select pg_notify(${CHANNEL}, ${`${key} ${stream}`})`);

type Heard = (said: string) => void;
const held = globalThis as unknown as { jollyLive?: { readonly heard: Set<Heard> } };

/** The one listener of this server; it comes back by itself when the database was away. */
function listening(): { readonly heard: Set<Heard> } {
  if (held.jollyLive) return held.jollyLive;
  const heard = new Set<Heard>();
  const all = (said: string): void => heard.forEach((f) => f(said));
  let before = false;
  // What was missed while it was away is not known: everyone looks again.
  void connect(urlOfHouse(), 1)
    .listen(CHANNEL, all, () => {
      if (before) all(AGAIN);
      before = true;
    })
    .catch(() => (held.jollyLive = undefined as never));
  held.jollyLive = { heard };
  return held.jollyLive;
}

/** Hears of every entry that is written from now on. @returns how to stop */
export function hear(f: Heard): () => void {
  const { heard } = listening();
  heard.add(f);
  return () => void heard.delete(f);
}
export const howManyHear = (): number => held.jollyLive?.heard.size ?? 0;
