import { EventEmitter } from "node:events";
import { Logger, type Runner, type TaskList, type WorkerEvents, run } from "graphile-worker";
import { number, object, string } from "yup";
import { config } from "../config";
import { closeDatabase, database } from "../db/connect";
import { log } from "../log";
import { followMedia } from "../media/followJob";
import { giveUpIngest, ingestMedia } from "../media/ingest";
import { openPaintPool } from "../render/paintPool";
import { giveUpRendition, renderRendition } from "../render/renditionJob";
import { type Jobs } from "./enqueue";
import { startHeartbeat } from "./heartbeat";

const POLL_MS = 500;

const replacement = object({
  sha256: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  mime: string().required(),
  bytes: number().required(),
});
const media = object({ media: string().uuid().required(), replacement: replacement.optional().default(undefined) });
const followed = object({ media: string().uuid().required() });
const rendition = object({ rendition: string().uuid().required() });

export interface RunningWorker {
  /** Lets running jobs finish for a moment, then gives them back to the queue. */
  stop(): Promise<void>;
  readonly ended: Promise<void>;
}

/** Starts a worker in this process: takes jobs from the queue until it is stopped. */
export async function startWorker(): Promise<RunningWorker> {
  const db = database();
  const pool = openPaintPool();
  const tasks: TaskList = {
    "ingest-media": async (payload, { job }) => {
      const { media: id, replacement } = media.validateSync(payload);
      await ingestMedia(db, id, replacement).catch((error: unknown) =>
        failed("ingest-media", error, job, () => giveUpIngest(db, id)),
      );
    },
    "follow-subject": async (payload, { job }) => {
      const { media: id } = followed.validateSync(payload);
      await followMedia(db, id).catch((error: unknown) =>
        failed("follow-subject", error, job, () => Promise.resolve()),
      );
    },
    "render-rendition": async (payload, { job }) => {
      const { rendition: id } = rendition.validateSync(payload);
      await renderRendition(db, pool, id).catch((error: unknown) =>
        failed("render-rendition", error, job, () => giveUpRendition(db, id)),
      );
    },
  } satisfies Record<keyof Jobs, TaskList[string]>;

  // The queue notes which pool of workers took a job; that name is what others free it by when we are killed.
  const ids = new Set<string>();
  const events: WorkerEvents = new EventEmitter();
  events.on("pool:create", ({ workerPool }) => ids.add(workerPool.id));
  const runner: Runner = await run({
    events,
    connectionString: config().DATABASE_URL,
    taskList: tasks,
    concurrency: 3,
    pollInterval: POLL_MS,
    noHandleSignals: true,
    logger: new Logger(() => (level, message) => (Object.is(level, "error") ? log.error(message) : log.debug(message))),
  });
  const beat = startHeartbeat(ids);
  return {
    ended: runner.promise,
    async stop() {
      clearInterval(beat);
      await pool.close();
      await runner.stop();
      if (ids.size > 0)
        await db
          .deleteFrom("worker")
          .where("id", "in", [...ids])
          .execute();
      await closeDatabase();
    },
  };
}

async function failed(
  task: keyof Jobs,
  error: unknown,
  job: { attempts: number; max_attempts: number },
  giveUp: () => Promise<void>,
): Promise<never> {
  log.error({ task, attempt: job.attempts, error: error instanceof Error ? error.stack : String(error) }, "job failed");
  if (job.attempts >= job.max_attempts) await giveUp();
  throw error;
}
