/** Opens, backs up and restores households: a database each, on the cluster `DATABASE_ROOT` points to, or the one of `DATABASE_URL`. */
import { randomUUID } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { type Sql, connect } from "../src/store/db";
import { BadJournal, exportLines, importLines } from "../src/store/exchange";
import { settle, usualHousehold } from "../src/store/household";
import { rebuild, rebuildIfBehind } from "../src/store/rebuild";
import { migrate } from "../src/store/migrate";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const MIGRATIONS = join(root, "src/store/migrations");

const urlOf = (name: string): string =>
  process.env["DATABASE_URL"] || `${process.env["DATABASE_ROOT"]}/jolly_${name.replace(/-/g, "_")}`;

/** Makes the household's database unless it is there; says whether it was just made. */
async function make(name: string): Promise<boolean> {
  if (process.env["DATABASE_URL"]) {
    const sql = connect(urlOf(name), 1);
    const [held] = await sql<
      { there: boolean }[]
    >`select to_regclass('public.household') is not null as there`;
    await sql.end();
    return !held!.there;
  }
  const admin = connect(`${process.env["DATABASE_ROOT"]}/postgres`, 1);
  const db = `jolly_${name.replace(/-/g, "_")}`;
  const [there] = await admin`select 1 from pg_database where datname = ${db}`;
  if (!there) await admin.unsafe(`create database "${db}" template template0 encoding 'UTF8'`);
  await admin.end();
  return !there;
}

async function backupTo(sql: Sql, file: string): Promise<number> {
  const lines = await exportLines(sql);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  writeFileSync(file, `${lines.join("\n")}\n`, { mode: 0o600 });
  return lines.length - 1;
}

async function open(name: string): Promise<void> {
  const fresh = await make(name);
  const sql = connect(urlOf(name), 2);
  try {
    const stamp = new Date().toISOString().replace(/[:.]/g, "-");
    const moved = await migrate(
      sql,
      MIGRATIONS,
      async () =>
        void (await backupTo(
          sql,
          join(process.env["JOLLY_BACKUPS"] ?? join(root, ".jolly"), `${name}-${stamp}.jsonl`),
        )),
    );
    if (moved > 0) await rebuild(sql);
    else if (await rebuildIfBehind(sql))
      process.stderr.write("The lists were behind the journal; they are made anew from it.\n");
    const [held] = await sql<{ n: number }[]>`select count(*)::int as n from household`;
    if (held!.n === 0) {
      // Demo data only ever enters a database just made for it.
      if (name === "demo" && fresh)
        await importLines(sql, readFileSync(join(root, "demo/lock-cottage.jsonl"), "utf8").split("\n"));
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
  } finally {
    await sql.end();
  }
  process.stdout.write(`${urlOf(name)}\n`);
}

async function main(): Promise<void> {
  const [word, ...rest] = process.argv.slice(2);
  const at = rest.indexOf("--household");
  const name = at >= 0 ? (rest[at + 1] ?? "demo") : "demo";
  if (!/^[a-z0-9][a-z0-9-]*$/.test(name))
    throw new BadJournal("a household's name is small letters, figures and dashes");
  const file = rest.filter((_, i) => at < 0 || (i !== at && i !== at + 1))[0];
  if (word === "open") return open(file ?? name);
  if (!file) throw new BadJournal(`name the file: ./jolly ${word} FILE`);
  if (word === "backup") {
    if (await make(name)) throw new BadJournal(`there is no household “${name}” yet`);
    const sql = connect(urlOf(name), 2);
    const n = await backupTo(sql, file);
    await sql.end();
    process.stderr.write(`${n} journal entries of “${name}” written to ${file}\n`);
  } else if (word === "restore") {
    if (at < 0) throw new BadJournal("name the new household: ./jolly restore FILE --household NAME");
    const lines = readFileSync(file, "utf8").split("\n");
    await make(name);
    const sql = connect(urlOf(name), 2);
    await migrate(sql, MIGRATIONS);
    const r = await importLines(sql, lines);
    await sql.end();
    process.stderr.write(`${r.events} journal entries read into “${name}”\n`);
  }
}

main().catch((e: Error) => {
  process.stderr.write(`jolly: ${e.message}\n`);
  process.exit(e instanceof BadJournal ? 2 : 1);
});
