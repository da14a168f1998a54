/** Opens, backs up and restores households: a database each, on the cluster `DATABASE_ROOT` points to, or the one of `DATABASE_URL`. */
import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Sql, connect } from "../src/store/db";
import { linesOfFile, writeBackup } from "../src/store/container";
import { BadJournal, importFrom, journalLines } from "../src/store/exchange";
import { settle, usualHousehold } from "../src/store/household";
import { rebuild, rebuildIfBehind } from "../src/store/rebuild";
import { houseOf } from "../src/store/devices";
import { migrate } from "../src/store/migrate";
import { type HouseFile, houseFiles } from "../src/store/pictures";
import { asApp, letAppIn } from "../src/store/role";
import { copyByItself } from "./copies";
import { demoFiles } from "./demo-files";
import { MIGRATIONS, make, mustBeThere, root, unmake, urlOf } from "./databases";

/** The demo's scenario, through the same import a user has. */
const demoLines = (): string[] => readFileSync(join(root, "demo/lock-cottage.jsonl"), "utf8").split("\n");

/** Whether a database that was brought up in part or whole has a household in it. */
async function holdsHousehold(sql: Sql): Promise<boolean> {
  const [table] = await sql<{ there: boolean }[]>`select to_regclass('household') is not null as there`;
  return table!.there && (await sql`select 1 from household`).length > 0;
}

/** Brings a household up; says its address, and whether it is to be opened to its house at every start: yes or no. */
async function open(name: string): Promise<void> {
  await make(name);
  const sql = connect(urlOf(name), 4);
  // Two starts at once are one after the other.
  const alone = await sql.reserve();
  try {
    await alone`select pg_advisory_lock(416, 3)`;
    const stamp = new Date().toISOString().replace(/[:.]/g, "-");
    const moved = await migrate(sql, MIGRATIONS, async () => {
      // A first start that was cut off between two steps has nothing to be kept yet.
      if (!(await holdsHousehold(sql))) return;
      const file = join(process.env["JOLLY_BACKUPS"] ?? join(root, ".jolly"), `${name}-${stamp}.jolly`);
      await writeBackup(file, journalLines(sql), houseFiles(sql));
    });
    if (moved > 0) await rebuild(sql);
    else if (await rebuildIfBehind(sql))
      process.stderr.write("The lists were behind the journal; they are made anew from it.\n");
    const [held] = await sql<{ n: number }[]>`select count(*)::int as n from household`;
    if (held!.n === 0) {
      // A database without a household was made a moment ago, or its first start was cut off: demo data only ever enters such a one.
      if (name === "demo") await importFrom(sql, demoLines(), () => demoFiles(root));
      else
        await settle(sql, {
          id: randomUUID(),
          name: name
            .split("-")
            .map((w) => w[0]!.toUpperCase() + w.slice(1))
            .join(" "),
          zone: Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC",
          ...usualHousehold("us"),
        });
    }
    if (appPassword) await letAppIn(sql, appPassword);
    const { opens } = await houseOf(sql);
    process.stdout.write(`${appUrlOf(name)}\n${opens ? "yes" : "no"}\n`);
  } finally {
    alone.release();
    await sql.end();
  }
}

/** Makes today's copy, where one is wanted. Said where it is, since it is nobody's command. */
async function copyNow(name: string, folder: string | undefined): Promise<void> {
  if (!folder) throw new BadJournal("name the folder for the copies");
  // A household of its own to read it back into; a database that is given by its address has no room for one.
  const trial = `copy-on-trial-${process.pid}`;
  const tryIt = (file: string): Promise<void> =>
    restore(file, trial).finally(async () => void (await unmake(trial)));
  const made = await copyByItself(name, folder, process.env["DATABASE_URL"] ? undefined : tryIt);
  if (made) process.stdout.write(`copied to ${made}\n`);
}

/** On a cluster of ours the app has a role of its own; a database that is given by its address is used as it is given. */
const appPassword = process.env["DATABASE_URL"] ? undefined : process.env["JOLLY_APP_PASSWORD"];
const appUrlOf = (name: string): string => (appPassword ? asApp(urlOf(name), appPassword) : urlOf(name));

async function main(): Promise<void> {
  const [word, ...rest] = process.argv.slice(2);
  const at = rest.indexOf("--household");
  const name = at >= 0 ? (rest[at + 1] ?? "demo") : "demo";
  if (!/^[a-z0-9][a-z0-9-]*$/.test(name))
    throw new BadJournal("a household's name is small letters, figures and dashes");
  const file = rest.filter((_, i) => at < 0 || (i !== at && i !== at + 1))[0];
  if (name.length > 40) throw new BadJournal("a household's name is at most 40 letters long");
  if (word === "open") return open(file ?? name);
  if (word === "copy") return copyNow(name, file);
  if (word === "address") return void process.stdout.write(`${appUrlOf(file ?? name)}\n`);
  if (!file) throw new BadJournal(`name the file: ./jolly ${word} FILE`);
  if (word === "backup") {
    await mustBeThere(name);
    const sql = connect(urlOf(name), 2);
    const n = await writeBackup(file, journalLines(sql), houseFiles(sql));
    await sql.end();
    process.stderr.write(`${n} journal entries of “${name}” written to ${file}\n`);
  } else if (word === "restore") {
    if (!existsSync(file)) throw new BadJournal(`there is no file ${file}`);
    if (at < 0) throw new BadJournal("name the new household: ./jolly restore FILE --household NAME");
    await restore(file, name);
  }
}

/** Photographs of a backup, laid aside as they come and read back one at a time: none of them is held. */
function laidAside(): {
  readonly take: (f: HouseFile) => void;
  readonly each: () => AsyncGenerator<HouseFile>;
  readonly clear: () => void;
} {
  const folder = mkdtempSync(join(tmpdir(), "jolly-restore-"));
  const names: string[] = [];
  const at = (i: number): string => join(folder, String(i));
  return {
    take: (f) => writeFileSync(at(names.push(f.name) - 1), f.bytes, { mode: 0o600 }),
    async *each() {
      for (const [i, name] of names.entries()) yield { name, bytes: await readFile(at(i)) };
    },
    clear: () => rmSync(folder, { recursive: true, force: true }),
  };
}

/** Reads a household back, whole or not at all: a database made for one that was refused goes again. */
async function restore(file: string, name: string): Promise<void> {
  const made = await make(name);
  const sql = connect(urlOf(name), 2);
  const files = laidAside();
  try {
    await migrate(sql, MIGRATIONS);
    const r = await importFrom(sql, linesOfFile(file, files.take), files.each);
    process.stderr.write(`${r.events} journal entries read into “${name}”\n`);
  } catch (e) {
    await sql.end();
    if (made) await unmake(name);
    throw e;
  } finally {
    files.clear();
    await sql.end();
  }
}

main().catch((e: Error) => {
  process.stderr.write(`jolly: ${e.message}\n`);
  process.exit(e instanceof BadJournal ? 2 : 1);
});
