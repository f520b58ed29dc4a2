import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Kysely } from "kysely";
import { CENTRE } from "../../core/geometry/framing";
import { type Database } from "../db/tables";
import { tellTeam } from "../events/teamEvents";
import { log } from "../log";
import { originalKey } from "../storage/keys";
import { store } from "../storage/store";
import { ingestClip } from "./clipIngest";
import { ingestPicture } from "./pictureIngest";
import { ingestSound } from "./soundIngest";
import { type StoredFacts } from "./storedFacts";
import { sniffType } from "./sniff";
import { UploadProblem } from "./uploadProblem";

/** The ingest job: measures an item and makes its working copies. Safe to run twice. A problem of the file ends it, in words. */
export async function ingestMedia(db: Kysely<Database>, mediaId: string): Promise<void> {
  const item = await db.selectFrom("media").selectAll().where("id", "=", mediaId).executeTakeFirst();
  if (!item || item.state === "ready") return;
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-ingest-"));
  const tell = async (state: "working" | "ready" | "failed", progress: number, change: { problem?: string; facts?: string } = {}): Promise<void> => {
    await db.updateTable("media").set({ state, progress, ...change }).where("id", "=", mediaId).execute();
    await tellTeam(db, { team: item.team_id, topic: "media", id: mediaId, state, progress });
  };
  try {
    await tell("working", 0.02);
    let told = Date.now();
    const onProgress = (share: number): void => {
      if (Date.now() - told < 300) return;
      told = Date.now();
      tell("working", share).catch((error: unknown) => log.warn({ error }, "progress was not told"));
    };
    const facts = await ingestFile(item, folder, onProgress);
    await tell("ready", 1, { facts: JSON.stringify(facts) });
    log.info({ media: mediaId, kind: item.kind }, "media ready");
  } catch (error) {
    if (!(error instanceof UploadProblem)) throw error;
    log.info({ media: mediaId, problem: error.message }, "media refused");
    await tell("failed", 1, { problem: error.message });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function ingestFile(item: { sha256: string; name: string }, folder: string, onProgress: (share: number) => void): Promise<StoredFacts> {
  const path = await store().local(originalKey(item.sha256));
  const type = await sniffType(path, item.name);
  switch (type.kind) {
    case "picture":
      return { ...(await ingestPicture(path, type.mime, item.sha256, item.name, folder)), focal: CENTRE };
    case "clip":
      return { ...(await ingestClip(path, type, item.sha256, item.name, folder, onProgress)), focal: CENTRE };
    case "sound":
      return ingestSound(path, type, item.sha256, item.name, folder);
  }
}

/** Says that an item could not be read in after all tries: something of ours broke, not the file. */
export async function giveUpIngest(db: Kysely<Database>, mediaId: string): Promise<void> {
  const row = await db
    .updateTable("media")
    .set({ state: "failed", problem: "Reading it in failed on our side. Remove it and bring it again; if that does not help, tell whoever runs Stencilcraft." })
    .where("id", "=", mediaId)
    .where("state", "!=", "ready")
    .returning("team_id")
    .executeTakeFirst();
  if (row) await tellTeam(db, { team: row.team_id, topic: "media", id: mediaId, state: "failed", progress: 1 });
}
