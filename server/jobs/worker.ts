import { Logger, type Runner, type TaskList, makeWorkerUtils, run } from "graphile-worker";
import { object, string } from "yup";
import { config } from "../config";
import { closeDatabase, database } from "../db/connect";
import { log } from "../log";
import { giveUpIngest, ingestMedia } from "../media/ingest";
import { openPaintPool } from "../render/paintPool";
import { giveUpRendition, renderRendition } from "../render/renditionJob";
import { type Jobs } from "./enqueue";

const BEAT_MS = 2000;
/** A worker not seen for this long is taken as dead, and its jobs are given to others. */
export const DEAD_AFTER_MS = 10_000;
const POLL_MS = 500;

const media = object({ media: string().uuid().required() });
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
      const { media: id } = media.validateSync(payload);
      await ingestMedia(db, id).catch((error: unknown) => failed("ingest-media", error, job, () => giveUpIngest(db, id)));
    },
    "render-rendition": async (payload, { job }) => {
      const { rendition: id } = rendition.validateSync(payload);
      await renderRendition(db, pool, id).catch((error: unknown) => failed("render-rendition", error, job, () => giveUpRendition(db, id)));
    },
  } satisfies Record<keyof Jobs, TaskList[string]>;

  const runner: Runner = await run({
    connectionString: config().DATABASE_URL, taskList: tasks, concurrency: 3, pollInterval: POLL_MS, noHandleSignals: true,
    logger: new Logger(() => (level, message) => (level === "error" ? log.error(message) : log.debug(message))),
  });
  const ids = new Set<string>();
  runner.events.on("worker:create", ({ worker }) => ids.add(worker.workerId));
  const beat = startHeartbeat(ids);
  return {
    ended: runner.promise,
    async stop() {
      clearInterval(beat);
      await pool.close();
      await runner.stop();
      if (ids.size > 0) await db.deleteFrom("worker").where("id", "in", [...ids]).execute();
      await closeDatabase();
    },
  };
}

async function failed(task: keyof Jobs, error: unknown, job: { attempts: number; max_attempts: number }, giveUp: () => Promise<void>): Promise<never> {
  log.error({ task, attempt: job.attempts, error: error instanceof Error ? error.stack : String(error) }, "job failed");
  if (job.attempts >= job.max_attempts) await giveUp();
  throw error;
}

/** Says that this worker lives, and frees the jobs of workers that were killed. */
function startHeartbeat(ids: ReadonlySet<string>): NodeJS.Timeout {
  const beat = async (): Promise<void> => {
    const now = new Date();
    const db = database();
    for (const id of ids) await db.insertInto("worker").values({ id, seen_at: now }).onConflict((conflict) => conflict.column("id").doUpdateSet({ seen_at: now })).execute();
    const dead = await db.deleteFrom("worker").where("seen_at", "<", new Date(now.getTime() - DEAD_AFTER_MS)).returning("id").execute();
    if (dead.length === 0) return;
    const utils = await makeWorkerUtils({ connectionString: config().DATABASE_URL });
    await utils.forceUnlockWorkers(dead.map(({ id }) => id)).finally(() => utils.release());
    log.warn({ workers: dead.length }, "took over the jobs of workers that were gone");
  };
  const safely = (): void => void beat().catch((error: unknown) => log.warn({ error: String(error) }, "heartbeat failed"));
  setTimeout(safely, 50);
  return setInterval(safely, BEAT_MS);
}
