import { randomUUID } from "node:crypto";
import { mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { sql } from "kysely";
import { config } from "./config";
import { database } from "./db/connect";
import { DEAD_AFTER_MS } from "./jobs/heartbeat";
import { store } from "./storage/store";

/** Whether each thing that work depends on answers: `ok`, or what is wrong. */
export async function readiness(): Promise<Record<"database" | "storage" | "worker", string>> {
  const attempt = (work: Promise<unknown>, problem: string): Promise<string> =>
    work.then(
      () => "ok",
      () => problem,
    );
  return {
    database: await attempt(sql`select 1`.execute(database()), "does not answer"),
    storage: await attempt(storageAnswers(), "can't be written to"),
    worker: await attempt(workerSeen(), "none seen lately"),
  };
}

async function storageAnswers(): Promise<void> {
  const folder = join(config().data, "incoming");
  await mkdir(folder, { recursive: true });
  const path = join(folder, randomUUID());
  await writeFile(path, "ready");
  const key = `ready/${randomUUID()}`;
  await store().keep(key, path);
  await store().remove(key);
}

async function workerSeen(): Promise<void> {
  await database()
    .selectFrom("worker")
    .select("id")
    .where("seen_at", ">", new Date(Date.now() - DEAD_AFTER_MS))
    .limit(1)
    .executeTakeFirstOrThrow();
}
