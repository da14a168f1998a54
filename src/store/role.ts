import type { Sql } from "./db";

/** The role the app works under. It adds to the journal and keeps the read tables; it owns nothing, and can neither change nor take out an entry. */
export const APP_ROLE = "jolly_app";

/** Tables that are only ever added to: what is in them is nowhere else. */
const ADDED_TO = ["event", "picture"];
/** Tables of the tools alone. */
const NOT_THE_APPS = ["migration"];

/** It is there already; another made it, or changed it, in the same moment. */
const THERE_ALREADY = "42710";
const MADE_MEANWHILE = "23505";
const CHANGED_MEANWHILE = "XX000";
/** Several households may be opened at once; each may come between one other and its change. */
const TRIES = 20;

/** Makes the app's role on the cluster, or gives it this password. @param password hexadecimal figures */
async function made(sql: Sql, password: string): Promise<void> {
  if (!/^[0-9a-f]{16,}$/.test(password)) throw new Error("the app's password is hexadecimal figures");
  const is = `role ${APP_ROLE} login nosuperuser nocreatedb nocreaterole password '${password}'`;
  const codeOf = (e: unknown): string | undefined => (e as { code?: string }).code;
  for (let left = TRIES; ; left--)
    try {
      return void (await sql.unsafe(`create ${is}`).catch((e: unknown) => {
        if (codeOf(e) !== THERE_ALREADY && codeOf(e) !== MADE_MEANWHILE) throw e;
        return sql.unsafe(`alter ${is}`);
      }));
    } catch (e) {
      if (codeOf(e) !== CHANGED_MEANWHILE || left === 0) throw e;
      await new Promise((r) => setTimeout(r, 20 + 30 * Math.random()));
    }
}

/** Lets the app into a household's database, as far as it needs; what it could do before and should not is taken from it. */
export async function letAppIn(sql: Sql, password: string): Promise<void> {
  await made(sql, password);
  const tables = await sql<
    { name: string }[]
  >`select tablename as name from pg_tables where schemaname = 'public'`;
  const app = sql(APP_ROLE);
  await sql.begin(async (tx) => {
    await tx`revoke all on all tables in schema public from ${app}`;
    await tx`grant usage on schema public to ${app}`;
    await tx`grant select on all tables in schema public to ${app}`;
    await tx`grant usage on all sequences in schema public to ${app}`;
    for (const { name } of tables)
      if (ADDED_TO.includes(name)) await tx`grant insert on ${tx(name)} to ${app}`;
      else if (!NOT_THE_APPS.includes(name)) await tx`grant insert, update, delete on ${tx(name)} to ${app}`;
  });
}

/** The address of the same database for the app's role. */
export function asApp(url: string, password: string): string {
  const u = new URL(url);
  u.username = APP_ROLE;
  u.password = password;
  return u.toString();
}
