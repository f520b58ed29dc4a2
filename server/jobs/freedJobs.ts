import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";

/** How a worker ended: it was stopped or killed from outside, or what it did broke it. */
export type WorkerEnd = "stopped" | "broke";

/** A job that ran in so many workers that broke is set aside. */
export const MOST_STRIKES = 2;

/**
 * Gives the jobs of workers that are gone back to the queue, to be begun at once. That a worker ended is no failed try of
 * its jobs; where it broke, each of them is noted as one that may have been the reason: but for renditions, which only
 * waited for what others paint.
 */
export async function freeJobsOf(db: Kysely<Database>, workers: readonly string[], end: WorkerEnd): Promise<void> {
  if (workers.length === 0) return;
  const theirs = sql`locked_by = any(${workers}::text[])`;
  await db.transaction().execute(async (within) => {
    if (end === "broke")
      await sql`
        insert into job_strike (job_key)
        select key from graphile_worker._private_jobs
        where ${theirs} and key is not null and not exists (
          select from segment_wait where rendition_id::text = payload ->> 'rendition')
        on conflict (job_key) do update set strikes = job_strike.strikes + 1, struck_at = now()`.execute(within);
    // A job without a key was taken over by a newer one while it ran.
    await sql`delete from graphile_worker._private_jobs where ${theirs} and key is null`.execute(within);
    await sql`
      update graphile_worker._private_jobs
      set locked_by = null, locked_at = null, attempts = greatest(attempts - 1, 0), run_at = least(run_at, now())
      where ${theirs}`.execute(within);
    await sql`
      update graphile_worker._private_job_queues set locked_by = null, locked_at = null where ${theirs}`.execute(
      within,
    );
    await sql`select pg_notify('jobs:insert', '{"count":1}')`.execute(within);
  });
}

/** In how many workers that broke a job was running. @param key the key it is queued under; null for none */
export async function strikesOf(db: Kysely<Database>, key: string | null): Promise<number> {
  if (key === null) return 0;
  const row = await db.selectFrom("job_strike").select("strikes").where("job_key", "=", key).executeTakeFirst();
  return row?.strikes ?? 0;
}

/** Forgets the strikes of a job that has ended well, or was set aside. */
export async function forgiveJob(db: Kysely<Database>, key: string): Promise<void> {
  await db.deleteFrom("job_strike").where("job_key", "=", key).execute();
}
