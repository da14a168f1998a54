import { createHash } from "node:crypto";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type { Sql } from "./db";

interface Migration {
  readonly number: number;
  readonly name: string;
  readonly sql: string;
  readonly checksum: string;
}

/** The migrations in a folder, in order. Throws when the numbers do not run 1, 2, 3 … */
export function migrationsIn(folder: string): Migration[] {
  return readdirSync(folder)
    .filter((f) => f.endsWith(".sql"))
    .sort()
    .map((name, i) => {
      const sql = readFileSync(join(folder, name), "utf8");
      const number = Number(name.slice(0, 4));
      if (number !== i + 1) throw new Error(`migration ${name} is out of order`);
      return { number, name, sql, checksum: createHash("sha256").update(sql).digest("hex") };
    });
}

/** Arbitrary, but the same for every process that migrates. */
const LOCK = 416_0001;

/**
 * Brings a database up to the newest migration, each in one transaction, one process at a time.
 * A database newer than this build, or one whose history was edited, is refused.
 * @param beforeChange called once before the first change to a database that already holds something
 */
export async function migrate(
  sql: Sql,
  folder: string,
  beforeChange: () => Promise<void> = async () => {},
): Promise<number> {
  const all = migrationsIn(folder);
  const one = await sql.reserve();
  try {
    await one`select pg_advisory_lock(${LOCK})`;
    await one`create table if not exists migration (number integer primary key, name text not null, checksum text not null, at timestamptz not null default now())`;
    const done = await one<
      { number: number; checksum: string; name: string }[]
    >`select number, name, checksum from migration order by number`;
    for (const d of done) {
      const mine = all[d.number - 1];
      if (!mine)
        throw new Error(
          `this household was opened by a newer Jolly Crock (it is at step ${d.number}, this build knows ${all.length}). Start the newer one.`,
        );
      if (mine.checksum !== d.checksum)
        throw new Error(`migration ${d.name} was changed after it ran; put it back as it was.`);
    }
    const todo = all.slice(done.length);
    if (todo.length > 0 && done.length > 0) await beforeChange();
    for (const m of todo) {
      await one`begin`;
      try {
        await one.unsafe(m.sql);
        await one`insert into migration (number, name, checksum) values (${m.number}, ${m.name}, ${m.checksum})`;
        await one`commit`;
      } catch (e) {
        await one`rollback`;
        throw e;
      }
    }
    return todo.length;
  } finally {
    await one`select pg_advisory_unlock(${LOCK})`.catch(() => {});
    one.release();
  }
}
