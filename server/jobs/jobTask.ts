import { type Job, type Task } from "graphile-worker";
import { type Kysely } from "kysely";
import { isDatabaseAway, onceAnswered, untilDatabaseAnswers } from "../db/away";
import { type Database } from "../db/tables";
import { log } from "../log";
import { isStorageFull } from "../storage/full";
import { type Room } from "./alone";
import { JOBS, type JobName, type Jobs, enqueue, kindOf } from "./enqueue";
import { MOST_STRIKES, forgiveJob, strikesOf } from "./freedJobs";
import { type JobNote, noteTime } from "./jobTimes";

/** Why a job is not tried again: it failed each time, or workers broke whenever it ran. */
export type GivenUp = "failed" | "set aside";

/** What a job does, and how it is said that it can't be done, where anybody waits to hear it. */
export interface JobWork<Name extends JobName> {
  run(asked: Jobs[Name]): Promise<JobNote | undefined | void>;
  giveUp?(asked: Jobs[Name], why: GivenUp): Promise<void>;
}

/** Where jobs run. */
export interface JobPlace {
  readonly db: Kysely<Database>;
  readonly room: Room;
  /** Aborted when the worker stops. */
  readonly stopping: AbortSignal;
}

const ROOM_AGAIN_MS = 10_000;
/** How long a worker that stops waits for the database. */
const STOP_WITHIN_MS = 3000;

/**
 * A task of the queue. Only its own failures count as tries: when the worker stops, the database is away or the disk is
 * full, the same job is queued again and this one ends.
 */
export function taskOf<Name extends JobName>(name: Name, work: JobWork<Name>, { db, room, stopping }: JobPlace): Task {
  async function runOnce(asked: Jobs[Name], { key, attempts, max_attempts, run_at }: Tries): Promise<void> {
    try {
      const started = Date.now();
      const note = await work.run(asked);
      if (note) await noteTime(db, kindOf(name, asked), note, { waitedFrom: run_at, started });
      if (key !== null) await forgiveJob(db, key);
    } catch (error) {
      const wait = waitWithoutFault(error, stopping);
      if (wait !== null) {
        await untilDatabaseAnswers(db, stopping.aborted ? AbortSignal.timeout(STOP_WITHIN_MS) : stopping);
        await enqueue(db, name, asked, wait);
        log.warn({ task: name, wait, error: inWords(error) }, "job is taken up again");
        return;
      }
      log.error({ task: name, attempt: attempts, error: stackOf(error) }, "job failed");
      if (attempts >= max_attempts) await work.giveUp?.(asked, "failed");
      throw error;
    }
  }

  return async (payload, { job }) => {
    // What is queued was made by `enqueue`; a schema's own type is that of its name's.
    const asked = JOBS[name].validateSync(payload) as Jobs[Name];
    const strikes = await onceAnswered(() => strikesOf(db, job.key), stopping);
    if (strikes >= MOST_STRIKES && job.key !== null) {
      log.error({ task: name, job: job.key, strikes }, "job set aside: workers broke whenever it ran");
      await work.giveUp?.(asked, "set aside");
      await forgiveJob(db, job.key);
      return;
    }
    await room.run(strikes > 0, () => runOnce(asked, job));
  };
}

type Tries = Pick<Job, "key" | "attempts" | "max_attempts" | "run_at">;

/** How long to wait before a job is tried again that failed through no fault of its own, in milliseconds; else null. */
function waitWithoutFault(error: unknown, stopping: AbortSignal): number | null {
  if (stopping.aborted || isDatabaseAway(error)) return 0;
  return isStorageFull(error) ? ROOM_AGAIN_MS : null;
}

const inWords = (error: unknown): string => (error instanceof Error ? error.message : String(error));
const stackOf = (error: unknown): string => (error instanceof Error ? (error.stack ?? error.message) : String(error));
