import { type Sql, type Tx, db } from "./db";

/*
 * What is written is told to every open page. An entry leaves its key and its stream in a short tail, in its own transaction, so that whatever wrote it,
 * another server or a tool, is heard as well; the tail is looked at while somebody listens, by the pool that everything else uses.
 *
 * How far a page has heard is a view of the database (a snapshot: which transactions it sees), first that of the page's own making. What it is told is
 * exactly what that view does not see, in whatever order transactions end; and with it goes the view it has then.
 */
const LOOK_MS = 500;
/** Rows that are kept, and how often the rest is taken away. */
const [KEPT, EVERY] = [2000, 500];
/** Said instead of an entry where something may have been missed. */
export const AGAIN = "again";
/** How a view of the database is written; longer than this a page begins anew. */
const VIEW = /^\d{1,20}:\d{1,20}:[\d,]{0,2000}$/;

/** Part of the entry's own transaction: undone with it. */
export async function tell(tx: Tx, key: string, stream: string): Promise<void> {
  const [row] = await tx<
    { n: string }[]
  >`insert into moved (key, stream) values (${key}, ${stream}) returning n`;
  const n = Number(row!.n);
  if (n % EVERY === 0) await tx`delete from moved where n < ${n - KEPT}`;
}

/** What the database shows now: asked before a page is made of it. */
export async function viewNow(sql: Sql): Promise<string> {
  const [row] = await sql<{ view: string }[]>`select pg_current_snapshot()::text as view`;
  return row!.view;
}
/** A view as a page sends it back; nothing where it is none. */
export const viewOf = (said: string | null): string | undefined =>
  said !== null && VIEW.test(said) ? said : undefined;

interface Told {
  readonly said: readonly string[];
  readonly view: string;
}
/** What a view does not see, in the order it was written, and the view that sees it; of one statement, so that nothing lies between the two. */
async function unseen(sql: Sql, view: string): Promise<Told> {
  const rows = await sql<{ at: string; cut: boolean; key: string | null; stream: string | null }[]>`
    with here as (select pg_current_snapshot() as at, ${view}::pg_snapshot as seen)
    select h.at::text as at, m.key, m.stream,
           pg_snapshot_xmax(h.seen) > pg_snapshot_xmax(h.at)
             or exists (select from (select n, by from moved order by n limit 1) o
                        where o.n > 1 and not pg_visible_in_snapshot(o.by, h.seen)) as cut
    from here h left join moved m on m.by >= pg_snapshot_xmin(h.seen) and not pg_visible_in_snapshot(m.by, h.seen)
    order by m.n`;
  const { at, cut } = rows[0]!;
  if (cut) return { said: [AGAIN], view: at };
  return { said: rows.flatMap((r) => (r.key ? [`${r.key} ${r.stream}`] : [])), view: at };
}

type Heard = (said: string, view: string) => void;
class Tail {
  /** Who listens, and the view each has. */
  private readonly views = new Map<Heard, string>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private looking = false;

  get size(): number {
    return this.views.size;
  }
  add(f: Heard, view: string): void {
    this.views.set(f, view);
    this.timer ??= setInterval(() => void this.look(), LOOK_MS);
    void this.look();
  }
  remove(f: Heard): void {
    this.views.delete(f);
    if (this.views.size > 0) return;
    clearInterval(this.timer);
    this.timer = undefined;
  }
  /** Those of one view are asked for once; all have one view after a look, but who came since. */
  private async look(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    try {
      for (const view of new Set(this.views.values())) {
        const asked = [...this.views].flatMap(([f, v]) => (v === view ? [f] : []));
        const told = await unseen(db(), view);
        for (const f of asked) {
          if (!this.views.has(f)) continue;
          this.views.set(f, told.view);
          for (const said of told.said) f(said, told.view);
        }
      }
    } catch {
      // A database that is away is looked for again, no sooner than usual: every view stands where it stood.
    } finally {
      this.looking = false;
    }
  }
}
const held = globalThis as unknown as { jollyTail?: Tail };
const tail = (): Tail => (held.jollyTail ??= new Tail());

/** Hears of every entry that a view does not see. @returns how to stop */
export function hear(f: Heard, view: string): () => void {
  tail().add(f, view);
  return () => tail().remove(f);
}
export const howManyHear = (): number => tail().size;
