import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { randomUUID } from "node:crypto";
import { sql } from "kysely";
import { database } from "./db/connect";
import { seenLately } from "./jobs/heartbeat";
import { hasRoom } from "./storage/full";
import { store } from "./storage/store";
import { inWorkFolder } from "./workFolder";

/** Whether each thing that work depends on answers: `ok`, or what is wrong. */
export async function readiness(): Promise<Record<"database" | "storage" | "worker", string>> {
  const attempt = (work: Promise<unknown>, problem: string): Promise<string> =>
    work.then(
      (answer) => (typeof answer === "string" ? answer : "ok"),
      () => problem,
    );
  return {
    database: await attempt(sql`select 1`.execute(database()), "does not answer"),
    storage: await attempt(storageAnswers(), "can't be written to"),
    worker: await attempt(workerSeen(), "none seen lately"),
  };
}

async function storageAnswers(): Promise<string | null> {
  if (!(await hasRoom())) return "is full";
  await inWorkFolder("ready", async (folder) => {
    const path = join(folder, "file");
    await writeFile(path, "ready");
    const key = `ready/${randomUUID()}`;
    await store().keep(key, path);
    await store().remove(key);
  });
  return null;
}

async function workerSeen(): Promise<void> {
  await database().selectFrom("worker").select("id").where(seenLately).limit(1).executeTakeFirstOrThrow();
}
