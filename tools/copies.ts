/** A household's dated copies, made by themselves: written, tried by reading it back into a household of its own, and the old ones put away. */
import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { type Sql, connect } from "../src/store/db";
import { copied, copiesOf, copyFailed } from "../src/store/copies";
import { writeBackup } from "../src/store/container";
import { journalLines } from "../src/store/exchange";
import { copiesKept } from "../src/store/kept-copies";
import { houseFiles } from "../src/store/pictures";
import { urlOf } from "./databases";

const fileOf = (name: string, day: string): string => `${name}-${day}.jolly`;
const DAY_OF = /-(\d{4}-\d\d-\d\d)\.jolly$/;

/** Puts away what is not kept; only what bears the household's name and a day is ever looked at. */
function putAway(folder: string, name: string): void {
  const mine = readdirSync(folder).filter((f) => f.startsWith(`${name}-`) && DAY_OF.test(f));
  const days = mine.filter((f) => f === fileOf(name, DAY_OF.exec(f)![1]!)).map((f) => DAY_OF.exec(f)![1]!);
  const kept = copiesKept(days);
  for (const day of days) if (!kept.has(day)) rmSync(join(folder, fileOf(name, day)));
}

/** Whether there is something that no copy has. */
async function wanted(sql: Sql, folder: string, name: string, day: string): Promise<boolean> {
  const { at, behindDays } = await copiesOf(sql);
  if (at === undefined || behindDays !== undefined) return !existsSync(join(folder, fileOf(name, day)));
  return false;
}

/**
 * Makes today's copy, where something was written since the last; at most one a day.
 * @param tryIt reads a file back whole, and throws where it cannot; nothing where there is no place to do so
 * @returns its file, or nothing where none was wanted
 */
export async function copyByItself(
  name: string,
  folder: string,
  tryIt: ((file: string) => Promise<void>) | undefined,
  day = new Date().toISOString().slice(0, 10),
): Promise<string | undefined> {
  const sql = connect(urlOf(name), 2);
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    if (!(await wanted(sql, folder, name, day))) return undefined;
    const file = join(folder, fileOf(name, day));
    const half = `${file}.half`;
    await writeBackup(half, journalLines(sql), houseFiles(sql));
    await tryIt?.(half);
    renameSync(half, file);
    putAway(folder, name);
    const { also } = await copiesOf(sql);
    let problem: string | undefined;
    if (also)
      try {
        // It is never made: a disk that is not in would be written to beside its place.
        if (!existsSync(also)) throw new Error("it is not there. Is the disk in?");
        copyFileSync(file, join(also, fileOf(name, day)));
        putAway(also, name);
      } catch (e) {
        problem = `The copy could not be put into ${also}: ${(e as Error).message}`;
      }
    await copied(sql, { to: folder, tried: tryIt !== undefined, problem });
    return file;
  } catch (e) {
    await copyFailed(sql, `The copy could not be made: ${(e as Error).message}`).catch(() => undefined);
    throw e;
  } finally {
    await sql.end();
  }
}
