import postgres from "postgres";

export type Sql = postgres.Sql<Record<string, never>>;
export type Tx = postgres.TransactionSql<Record<string, never>>;

/** A pool on a database. Dates come back as plain text: a JS Date would be a day early west of Greenwich. */
export function connect(url: string, max = 8): Sql {
  return postgres(url, {
    max,
    idle_timeout: 60,
    connect_timeout: 10,
    onnotice: () => {},
    types: { date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x } },
  }) as unknown as Sql;
}

const held = globalThis as unknown as { jollySql?: Sql };

/** The one pool of this server, on `DATABASE_URL`. */
export function db(): Sql {
  if (!held.jollySql) {
    const url = process.env["DATABASE_URL"];
    if (!url) throw new Error("DATABASE_URL is not set; start the app with ./jolly start");
    held.jollySql = connect(url);
  }
  return held.jollySql;
}
