import { EventEmitter } from "node:events";
import { Logger, type Runner, type TaskList, type WorkerEvents, run } from "graphile-worker";
import { setTimeout as sleep } from "node:timers/promises";
import { untilDatabaseAnswers } from "../db/away";
import { closeDatabase, connectionPool, database } from "../db/connect";
import { log } from "../log";
import { openPaintPool } from "../render/paintPool";
import { removeWorkFolder, tidyWorkFolders } from "../workFolder";
import { openRoom } from "./alone";
import { JOB_NAMES, type JobName } from "./enqueue";
import { freeJobsOf } from "./freedJobs";
import { startHeartbeat, takeOverFromGone } from "./heartbeat";
import { type JobPlace, taskOf } from "./jobTask";
import { type JobWorks, jobWorks } from "./jobWorks";
import { LANE_NAMES, jobsAtOnce, laneOf } from "./lanes";

const POLL_MS = 500;
/** How long running jobs have to notice that the worker stops. */
const STOP_WITHIN_MS = 5000;
/** Every night, and every quarter of an hour, once, however many workers there are. */
const CRONTAB = "41 3 * * * tidy-up ?max=2&jobKey=tidy-up\n*/15 * * * * read-views ?max=2&jobKey=read-views";

export interface RunningWorker {
  /** Takes no more jobs, and gives those that run back to the queue within seconds. */
  stop(): Promise<void>;
  readonly ended: Promise<void>;
}

/**
 * Starts a worker in this process: takes jobs from the queue until it is stopped, each kind in its lane.
 *
 * @param broke the process of an earlier worker on this machine whose own work ended it, if that is known
 */
export async function startWorker(broke: number | null = null): Promise<RunningWorker> {
  const db = database();
  const stopping = new AbortController();
  await untilDatabaseAnswers(db, stopping.signal);
  await Promise.all([takeOverFromGone(db, broke), tidyWorkFolders()]);
  const pool = openPaintPool();
  const works = jobWorks(db, pool, stopping.signal);
  // Renditions wait for segments: were they in one room, one that has to be alone would wait for ever.
  const [painting, making] = [openRoom(), openRoom()];
  const taskNamed = <Name extends JobName>(name: Name, works: Pick<JobWorks, Name>): TaskList[string] => {
    const paints = laneOf(name) === "ingest" || laneOf(name) === "paint";
    const place: JobPlace = { db, room: paints ? painting : making, stopping: stopping.signal };
    return taskOf(name, works[name], place);
  };

  // The queue notes which pool of workers took a job; that name is what others free it by when we are killed.
  const ids = new Set<string>();
  const events: WorkerEvents = new EventEmitter();
  events.on("pool:create", ({ workerPool }) => ids.add(workerPool.id));
  const connections = connectionPool();
  const runners: Runner[] = [];
  for (const lane of LANE_NAMES)
    runners.push(
      await run({
        events,
        pgPool: connections,
        taskList: Object.fromEntries(
          JOB_NAMES.filter((name) => laneOf(name) === lane).map((name) => [name, taskNamed(name, works)]),
        ),
        crontab: lane === "errands" ? CRONTAB : "",
        concurrency: jobsAtOnce(lane),
        pollInterval: POLL_MS,
        noHandleSignals: true,
        logger: new Logger(
          () => (level, message) => (Object.is(level, "error") ? log.warn(message) : log.debug(message)),
        ),
      }),
    );
  const beat = startHeartbeat(ids);

  /** Stops taking first: a job that is given back must not be taken again by us. */
  const stopTaking = (): Promise<unknown> =>
    Promise.all(
      runners.map((runner) =>
        runner.stop().catch((error: unknown) => log.warn({ error: String(error) }, "stopped late")),
      ),
    );
  return {
    ended: Promise.race(runners.map(({ promise }) => promise)),
    async stop() {
      clearInterval(beat);
      stopping.abort(new Error("The worker stops."));
      await Promise.race([Promise.all([stopTaking(), pool.close()]), sleep(STOP_WITHIN_MS, undefined, { ref: false })]);
      await freeJobsOf(db, [...ids], "stopped");
      if (ids.size > 0)
        await db
          .deleteFrom("worker")
          .where("id", "in", [...ids])
          .execute();
      await removeWorkFolder();
      await Promise.race([Promise.all([closeDatabase(), connections.end()]), sleep(1000, undefined, { ref: false })]);
    },
  };
}
