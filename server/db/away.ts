import { setTimeout as sleep } from "node:timers/promises";
import { type Kysely, sql } from "kysely";
import { type Database } from "./tables";

/** SQLSTATE classes and codes of a server that stops, starts or is not reached (PostgreSQL, appendix A). */
const AWAY_STATE = /^(?:08...|57P0[1-3])$/;
const AWAY_CODES = new Set(["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT"]);
/** What node-postgres says without a code. */
const AWAY_WORDS = /connection terminated|client has encountered a connection error|timeout exceeded when trying/i;
const ASK_AGAIN_MS = 250;

/** Whether an error, or what caused it, is that the database can't be reached now; asking again later may help. */
export function isDatabaseAway(error: unknown): boolean {
  if (error instanceof AggregateError && error.errors.some(isDatabaseAway)) return true;
  if (!(error instanceof Error)) return false;
  const code = "code" in error && typeof error.code === "string" ? error.code : "";
  return AWAY_STATE.test(code) || AWAY_CODES.has(code) || AWAY_WORDS.test(error.message) || isDatabaseAway(error.cause);
}

/** What a query gives as soon as the database answers it. Rejects as the query does otherwise, or when `signal` says to wait no longer. */
export async function onceAnswered<Result>(query: () => Promise<Result>, signal: AbortSignal): Promise<Result> {
  for (;;) {
    try {
      return await query();
    } catch (error) {
      if (!isDatabaseAway(error)) throw error;
      signal.throwIfAborted();
      await sleep(ASK_AGAIN_MS);
    }
  }
}

/** Waits until the database answers, or `signal` says to wait no longer. */
export async function untilDatabaseAnswers(db: Kysely<Database>, signal: AbortSignal): Promise<void> {
  signal.throwIfAborted();
  await onceAnswered(() => sql`select 1`.execute(db), signal);
}
