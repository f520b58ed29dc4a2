import { Kysely, PostgresDialect } from "kysely";
import pg from "pg";
import { config } from "../config";
import { log } from "../log";
import { preparingPool } from "./preparedStatements";
import { type Database } from "./tables";

/** A pool of connections. Whoever opens one ends it. */
export function connectionPool(url = config().DATABASE_URL): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  const lost = (error: Error): void => log.warn({ error: error.message }, "a database connection was lost");
  // A connection that breaks is replaced by the pool; without listeners it would end the process, idle or in use.
  pool.on("error", lost);
  pool.on("connect", (client) => client.on("error", lost));
  return pool;
}

/** Queries over a pool of connections. Whoever opens one destroys it. */
export function connect(url = config().DATABASE_URL): Kysely<Database> {
  // Amounts are bigint columns; JavaScript's safe integers are far beyond any price.
  pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);
  // A day is a day: never a midnight in the zone of this machine.
  pg.types.setTypeParser(pg.types.builtins.DATE, (day) => day);
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool: preparingPool(connectionPool(url)) }) });
}

let shared: Kysely<Database> | null = null;
/** The pool of this process. */
export const database = (): Kysely<Database> => (shared ??= connect());

export async function closeDatabase(): Promise<void> {
  await shared?.destroy();
  shared = null;
}
