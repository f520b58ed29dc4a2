import { type Kysely, sql } from "kysely";
import { type QueuedWork, type WorkKind } from "../../core/queue/waiting";
import { type Database } from "../db/tables";
import { JOBS, type JobName, isJobName, kindOf } from "./enqueue";
import { type LaneName, laneOf } from "./lanes";

/** No further than this is looked: who waits behind so many need not know it to the minute. */
export const MOST_QUEUED = 1000;

/** A job of the queue. */
export interface QueuedJob extends QueuedWork {
  readonly id: string;
  /** What it waits with: the work of other lanes goes on beside it. */
  readonly lane: LaneName;
  /** The machine it runs on; null where it waits, or that is not known. */
  readonly host: string | null;
}

interface QueueRow {
  readonly id: string;
  readonly key: string | null;
  readonly task: string;
  readonly payload: unknown;
  readonly runs_for_ms: number | null;
  readonly host: string | null;
}

/**
 * All that runs or may be begun, in the order in which it is taken, what runs first. The segments that renditions wait for
 * are no work of their own.
 */
export async function queuedWork(db: Kysely<Database>): Promise<readonly QueuedJob[]> {
  const { rows } = await sql<QueueRow>`
    select job.id, job.key, task.identifier as task, job.payload, worker.host,
      extract(epoch from now() - job.locked_at)::float8 * 1000 as runs_for_ms
    from graphile_worker._private_jobs job
    join graphile_worker._private_tasks task on task.id = job.task_id
    left join worker on worker.id = job.locked_by
    where (job.attempts < job.max_attempts or job.locked_at is not null)
      and task.identifier <> ${"paint-segment" satisfies JobName}
    order by job.locked_at is null, job.priority, job.run_at, job.id limit ${MOST_QUEUED}`.execute(db);
  return rows.map(({ id, key, task, payload, runs_for_ms, host }) => ({
    ...{ id, host },
    key: key ?? "",
    kind: isJobName(task) ? kindOfPayload(task, payload) : "other",
    lane: isJobName(task) ? laneOf(task) : "make",
    runsForMs: runs_for_ms,
  }));
}

function kindOfPayload(name: JobName, payload: unknown): WorkKind {
  const schema = JOBS[name];
  return schema.isValidSync(payload) ? kindOf(name, payload) : "other";
}
