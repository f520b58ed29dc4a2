import { EventEmitter } from "node:events";
import { Logger, type Runner, type TaskList, type WorkerEvents, run } from "graphile-worker";
import { setTimeout as sleep } from "node:timers/promises";
import { closeDatabase, connectionPool, database } from "../db/connect";
import { log } from "../log";
import { followMedia } from "../media/followJob";
import { giveUpIngest, ingestMedia } from "../media/ingest";
import { openPaintPool } from "../render/paintPool";
import { giveUpRendition, renderRendition } from "../render/renditionJob";
import { removeWorkFolder, tidyWorkFolders } from "../workFolder";
import { teamScope } from "../db/teamScope";
import { compareRenders } from "../promotions/outdated";
import { connected } from "../channels/connected";
import { giveUpPost, sendPost } from "../channels/postJob";
import { readAllViews } from "../channels/postViews";
import { checkApproval } from "../review/promotionReview";
import { tidyUp } from "../retention/tidyUp";
import { openRoom } from "./alone";
import { type JobName } from "./enqueue";
import { freeJobsOf } from "./freedJobs";
import { startHeartbeat, takeOverFromGone } from "./heartbeat";
import { taskOf } from "./jobTask";
import { JOBS_AT_ONCE } from "./jobsAtOnce";

const POLL_MS = 500;
/** How long running jobs have to notice that the worker stops. */
const STOP_WITHIN_MS = 5000;

export interface RunningWorker {
  /** Takes no more jobs, and gives those that run back to the queue within seconds. */
  stop(): Promise<void>;
  readonly ended: Promise<void>;
}

/**
 * Starts a worker in this process: takes jobs from the queue until it is stopped.
 *
 * @param broke the process of an earlier worker on this machine whose own work ended it, if that is known
 */
export async function startWorker(broke: number | null = null): Promise<RunningWorker> {
  const db = database();
  await Promise.all([takeOverFromGone(db, broke), tidyWorkFolders()]);
  const pool = openPaintPool();
  const stopping = new AbortController();
  const place = { db, room: openRoom(), stopping: stopping.signal };
  const tasks = {
    "ingest-media": taskOf(
      "ingest-media",
      {
        run: ({ media, replacement }) => ingestMedia(db, media, replacement),
        giveUp: ({ media, replacement }, why) => giveUpIngest(db, media, why, replacement),
      },
      place,
    ),
    "follow-subject": taskOf("follow-subject", { run: ({ media }) => followMedia(db, media) }, place),
    "compare-renders": taskOf(
      "compare-renders",
      {
        async run({ team, promotions, reason }) {
          await compareRenders(teamScope(db, team), promotions, reason);
          return { team };
        },
      },
      place,
    ),
    "check-approval": taskOf(
      "check-approval",
      {
        async run({ team, promotion }) {
          await checkApproval(teamScope(db, team), promotion);
          return { team };
        },
      },
      place,
    ),
    "send-post": taskOf(
      "send-post",
      { run: (asked) => sendPost(db, connected(), asked), giveUp: (asked) => giveUpPost(db, asked) },
      place,
    ),
    "read-views": taskOf("read-views", { run: () => readAllViews(db, connected()) }, place),
    "tidy-up": taskOf("tidy-up", { run: () => tidyUp(db, new Date()).then(() => undefined) }, place),
    "render-rendition": taskOf(
      "render-rendition",
      {
        run: (asked) => renderRendition(db, pool, asked),
        giveUp: (asked, why) => giveUpRendition(db, asked, why),
      },
      place,
    ),
  } satisfies Record<JobName, TaskList[string]>;

  // The queue notes which pool of workers took a job; that name is what others free it by when we are killed.
  const ids = new Set<string>();
  const events: WorkerEvents = new EventEmitter();
  events.on("pool:create", ({ workerPool }) => ids.add(workerPool.id));
  const connections = connectionPool();
  const runner: Runner = await run({
    events,
    pgPool: connections,
    taskList: tasks,
    // Every night, and every quarter of an hour, once, however many workers there are.
    crontab: "41 3 * * * tidy-up ?max=2&jobKey=tidy-up\n*/15 * * * * read-views ?max=2&jobKey=read-views",
    concurrency: JOBS_AT_ONCE,
    pollInterval: POLL_MS,
    noHandleSignals: true,
    logger: new Logger(() => (level, message) => (Object.is(level, "error") ? log.warn(message) : log.debug(message))),
  });
  const beat = startHeartbeat(ids);
  return {
    ended: runner.promise,
    async stop() {
      clearInterval(beat);
      stopping.abort(new Error("The worker stops."));
      // Stop taking first: a job that is given back must not be taken again by us.
      const stopped = runner.stop().catch((error: unknown) => log.warn({ error: String(error) }, "stopped late"));
      await Promise.race([Promise.all([stopped, pool.close()]), sleep(STOP_WITHIN_MS, undefined, { ref: false })]);
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
