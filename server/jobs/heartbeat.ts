import { hostname } from "node:os";
import { type Kysely, sql } from "kysely";
import { database } from "../db/connect";
import { type Database } from "../db/tables";
import { log } from "../log";
import { isAlive } from "../workFolder";
import { type WorkerEnd, freeJobsOf } from "./freedJobs";

const BEAT_MS = 2000;
/** A worker not seen for this long is taken as dead, and its jobs are given to others. */
export const DEAD_AFTER_MS = 10_000;

/** Of a worker that was seen lately. Only the database's clock counts: those of machines differ. */
export const seenLately = sql<boolean>`seen_at > now() - ${DEAD_AFTER_MS} * interval '1 millisecond'`;

/** Says every two seconds that these workers live, and frees the jobs of workers that were killed. */
export function startHeartbeat(ids: ReadonlySet<string>): NodeJS.Timeout {
  const safely = (): void =>
    void beat(ids).catch((error: unknown) => log.warn({ error: String(error) }, "heartbeat failed"));
  setTimeout(safely, 50);
  return setInterval(safely, BEAT_MS);
}

/** Says that a worker of this process lives. */
async function sayAlive(db: Kysely<Database>, id: string): Promise<void> {
  await db
    .insertInto("worker")
    .values({ id, seen_at: sql`now()`, host: hostname(), pid: process.pid })
    .onConflict((conflict) => conflict.column("id").doUpdateSet({ seen_at: sql`now()` }))
    .execute();
}

async function beat(ids: ReadonlySet<string>): Promise<void> {
  const db = database();
  for (const id of ids) await sayAlive(db, id);
  await freeJobsOfUnknown(db);
  const dead = await db
    .deleteFrom("worker")
    .where(sql<boolean>`not ${seenLately}`)
    .returning("id")
    .execute();
  await takeOver(
    db,
    dead.map(({ id }) => id),
    "stopped",
  );
}

/**
 * Frees jobs that were taken by workers of which nobody has heard for long: they were killed before they could say that they
 * live.
 */
async function freeJobsOfUnknown(db: Kysely<Database>): Promise<void> {
  const { rows } = await sql<{ worker: string }>`
    select distinct locked_by as worker from graphile_worker._private_jobs
    where locked_at < now() - ${DEAD_AFTER_MS} * interval '1 millisecond'
      and not exists (select from worker where worker.id = locked_by)`.execute(db);
  await takeOver(
    db,
    rows.map(({ worker }) => worker),
    "stopped",
  );
}

/**
 * Frees the jobs of this machine's workers whose processes are gone, without waiting until they are missed.
 *
 * @param broke the process whose own work ended it, if that is known
 */
export async function takeOverFromGone(db: Kysely<Database>, broke: number | null): Promise<void> {
  const here = await db.selectFrom("worker").select(["id", "pid"]).where("host", "=", hostname()).execute();
  const gone = here.filter(({ pid }) => pid === process.pid || !isAlive(pid));
  if (gone.length === 0) return;
  for (const end of ["broke", "stopped"] as const) {
    const ids = gone.filter(({ pid }) => (pid === broke) === (end === "broke")).map(({ id }) => id);
    await takeOver(db, ids, end);
    if (ids.length > 0) await db.deleteFrom("worker").where("id", "in", ids).execute();
  }
}

async function takeOver(db: Kysely<Database>, workers: readonly string[], end: WorkerEnd): Promise<void> {
  if (workers.length === 0) return;
  await freeJobsOf(db, workers, end);
  log.warn({ workers: workers.length, end }, "took over the jobs of workers that were gone");
}
