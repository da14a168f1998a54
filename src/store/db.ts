import postgres from "postgres";

export type Sql = postgres.Sql<Record<string, never>>;
export type Tx = postgres.TransactionSql<Record<string, never>>;

/** How long is waited: for a connection, s, and for one statement, ms; a statement that takes longer is given up. */
interface Limits {
  readonly connectS?: number;
  readonly statementMs?: number;
}

/** s until a connection that failed is tried again: soon at first, and never long, since a database that comes back is back at once. */
export const pauseS = (tries: number): number => Math.min(1, 0.05 * 2 ** Math.min(tries, 10));

/** A pool on a database. Dates come back as plain text: a JS Date would be a day early west of Greenwich. */
export function connect(url: string, max = 8, limits: Limits = {}): Sql {
  const { statementMs, connectS = 10 } = limits;
  return postgres(url, {
    max,
    idle_timeout: 60,
    connect_timeout: connectS,
    backoff: pauseS,
    ...(statementMs === undefined ? {} : { connection: { statement_timeout: statementMs } }),
    onnotice: () => {},
    types: { date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x } },
  }) as unknown as Sql;
}

/** Connections of one archive that is carried out: its own, since it is as slow as who takes it, and no statement of it is given up. */
export function ownConnections(): Sql {
  return connect(urlOfHouse(), 3, { connectS: 3 });
}

function urlOfHouse(): string {
  const url = process.env["DATABASE_URL"];
  if (!url) throw new Error("DATABASE_URL is not set; start the app with ./jolly start");
  return url;
}

const held = globalThis as unknown as { jollySql?: Sql };

/** The one pool of this server, on `DATABASE_URL`. */
export function db(): Sql {
  held.jollySql ??= connect(urlOfHouse(), 8, { connectS: 3, statementMs: 10_000 });
  return held.jollySql;
}
