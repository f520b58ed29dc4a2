import { makeWorkerUtils } from "graphile-worker";
import { config } from "../config";
import { database } from "../db/connect";
import { log } from "../log";

const BEAT_MS = 2000;
/** A worker not seen for this long is taken as dead, and its jobs are given to others. */
export const DEAD_AFTER_MS = 10_000;

/** Says every two seconds that these workers live, and frees the jobs of workers that were killed. */
export function startHeartbeat(ids: ReadonlySet<string>): NodeJS.Timeout {
  const safely = (): void =>
    void beat(ids).catch((error: unknown) => log.warn({ error: String(error) }, "heartbeat failed"));
  setTimeout(safely, 50);
  return setInterval(safely, BEAT_MS);
}

async function beat(ids: ReadonlySet<string>): Promise<void> {
  const now = new Date();
  const db = database();
  for (const id of ids)
    await db
      .insertInto("worker")
      .values({ id, seen_at: now })
      .onConflict((conflict) => conflict.column("id").doUpdateSet({ seen_at: now }))
      .execute();
  const dead = await db
    .deleteFrom("worker")
    .where("seen_at", "<", new Date(now.getTime() - DEAD_AFTER_MS))
    .returning("id")
    .execute();
  if (dead.length === 0) return;
  const utils = await makeWorkerUtils({ connectionString: config().DATABASE_URL });
  try {
    await utils.forceUnlockWorkers(dead.map(({ id }) => id));
  } finally {
    await utils.release();
  }
  log.warn({ workers: dead.length }, "took over the jobs of workers that were gone");
}
