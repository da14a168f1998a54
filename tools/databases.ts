/** Where the database of a household is: one each on the cluster `DATABASE_ROOT` points to, or the one of `DATABASE_URL`. */
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { type Sql, connect } from "../src/store/db";
import { BadJournal } from "../src/store/exchange";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");
export const MIGRATIONS = join(root, "src/store/migrations");

export const urlOf = (name: string): string =>
  process.env["DATABASE_URL"] || `${process.env["DATABASE_ROOT"]}/${databaseOf(name)}`;

const databaseOf = (name: string): string => `jolly_${name.replace(/-/g, "_")}`;

async function onCluster<T>(work: (sql: Sql) => Promise<T>): Promise<T> {
  const admin = connect(`${process.env["DATABASE_ROOT"]}/postgres`, 1);
  try {
    return await work(admin);
  } finally {
    await admin.end();
  }
}

const ALREADY = "42P04";

/** Makes the household's database unless it is there. A database given by address is there already. @returns whether it was made */
export async function make(name: string): Promise<boolean> {
  if (process.env["DATABASE_URL"]) return false;
  return onCluster(async (admin) => {
    const db = databaseOf(name);
    const [there] = await admin`select 1 from pg_database where datname = ${db}`;
    if (there) return false;
    try {
      await admin.unsafe(`create database "${db}" template template0 encoding 'UTF8'`);
      return true;
    } catch (e) {
      // Another first start was quicker.
      if ((e as { code?: string }).code !== ALREADY) throw e;
      return false;
    }
  });
}

/** Takes away a database that was just made and came to nothing. */
export const unmake = (name: string): Promise<unknown> =>
  onCluster((admin) => admin.unsafe(`drop database if exists "${databaseOf(name)}" with (force)`));

/** Refuses a household that is not there, rather than make an empty one of its name. */
export async function mustBeThere(name: string): Promise<void> {
  const missing = new BadJournal(`there is no household “${name}” yet`);
  if (!process.env["DATABASE_URL"])
    await onCluster(async (admin) => {
      const [there] = await admin`select 1 from pg_database where datname = ${databaseOf(name)}`;
      if (!there) throw missing;
    });
  const sql = connect(urlOf(name), 1);
  try {
    const [held] = await sql<
      { there: boolean }[]
    >`select to_regclass('public.household') is not null as there`;
    if (!held!.there) throw missing;
  } finally {
    await sql.end();
  }
}
