import { type Tx, db } from "./db";

/*
 * What is written is told to every open page. An entry leaves its key and its stream in a short tail, in its own transaction, so that whatever wrote it,
 * another server or a tool, is heard as well; the tail is looked at while somebody listens, by the pool that everything else uses.
 */
const LOOK_MS = 500;
/** Rows that are kept, and how often the rest is taken away; transactions may end in another order than they began, so some are looked at again. */
const [KEPT, EVERY, AGAIN_ROWS] = [2000, 500, 100];
/** Said instead of an entry where something may have been missed. */
const AGAIN = "again";

/** Part of the entry's own transaction: undone with it. */
export async function tell(tx: Tx, key: string, stream: string): Promise<void> {
  const [row] = await tx<
    { n: string }[]
  >`insert into moved (key, stream) values (${key}, ${stream}) returning n`;
  const n = Number(row!.n);
  if (n % EVERY === 0) await tx`delete from moved where n < ${n - KEPT}`;
}

type Heard = (said: string) => void;
class Tail {
  readonly heard = new Set<Heard>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private looking = false;
  private away = false;
  private last: number | undefined;
  private seen = new Set<number>();

  add(f: Heard): void {
    this.heard.add(f);
    this.timer ??= setInterval(() => void this.look(), LOOK_MS);
    if (this.last === undefined) void this.look();
  }
  remove(f: Heard): void {
    this.heard.delete(f);
    if (this.heard.size > 0) return;
    clearInterval(this.timer);
    this.timer = undefined;
    this.last = undefined;
  }
  private say(said: string): void {
    for (const f of this.heard) f(said);
  }
  /** One look at a time; a database that is away is looked for again, no sooner than usual. */
  private async look(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    try {
      const first = this.last === undefined;
      // At first only how far the tail has come.
      const rows = await db()<{ n: string; key: string; stream: string }[]>`
        select n, key, stream from moved
        where n > ${first ? db()`(select coalesce(max(n), 0) from moved)` : this.last!} - ${AGAIN_ROWS}::bigint order by n`;
      const fresh = rows.filter((r) => !this.seen.has(Number(r.n)));
      this.seen = new Set(rows.map((r) => Number(r.n)));
      this.last = Math.max(0, ...this.seen, first ? 0 : this.last!);
      if (this.away) this.say(AGAIN);
      else if (!first) for (const r of fresh) this.say(`${r.key} ${r.stream}`);
      this.away = false;
    } catch {
      this.away = true;
    } finally {
      this.looking = false;
    }
  }
}
const held = globalThis as unknown as { jollyTail?: Tail };
const tail = (): Tail => (held.jollyTail ??= new Tail());

/** Hears of every entry that is written from now on. @returns how to stop */
export function hear(f: Heard): () => void {
  tail().add(f);
  return () => tail().remove(f);
}
export const howManyHear = (): number => tail().heard.size;
