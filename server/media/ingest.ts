import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Kysely } from "kysely";
import { colorWords } from "../../core/color/colorNames";
import { type Database } from "../db/tables";
import { teamScope } from "../db/teamScope";
import { markNaming } from "../promotions/outdated";
import { tellTeam } from "../events/teamEvents";
import { type Replacement } from "../jobs/enqueue";
import { log } from "../log";
import { originalKey } from "../storage/keys";
import { store } from "../storage/store";
import { ingestClip } from "./clipIngest";
import { ingestPicture } from "./pictureIngest";
import { ingestSound } from "./soundIngest";
import { type Measured, measuredOnce } from "./measured";
import { type PictureLook } from "./pictureLook";
import { probe } from "./probe";
import { type StoredFacts } from "./storedFacts";
import { toldProgress } from "./toldProgress";
import { sniffType } from "./sniff";
import { UploadProblem } from "./uploadProblem";

/**
 * The ingest job: measures an item and makes its working copies. Safe to run twice. A problem of the file ends it, in words.
 * With a replacement, the item keeps its own file, and stays in use, until the new one is read in.
 */
export async function ingestMedia(db: Kysely<Database>, mediaId: string, replacement?: Replacement): Promise<void> {
  const item = await db.selectFrom("media").selectAll().where("id", "=", mediaId).executeTakeFirst();
  if (!item || (replacement ? item.sha256 === replacement.sha256 : item.state === "ready")) return;
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-ingest-"));
  const tell = async (
    phase: "working" | "ready" | "failed",
    progress: number,
    change: { problem?: string | null } & Partial<Measured & Replacement> = {},
  ): Promise<void> => {
    const state = replacement ? "ready" : phase;
    await db
      .updateTable("media")
      .set({ state, progress, ...change })
      .where("id", "=", mediaId)
      .execute();
    await tellTeam(db, item.team_id, { topic: "media", id: mediaId, state: phase, progress });
  };
  try {
    await tell("working", 0.02);
    const onProgress = toldProgress((share) => tell("working", share));
    const file = { ...item, ...replacement };
    const measured = await measuredOnce(file.sha256, folder, () => ingestFile(file, folder, onProgress));
    await tell("ready", 1, { ...measured, ...replacement, problem: null });
    await markNaming(teamScope(db, item.team_id), [mediaId], `${item.name} was replaced`);
    log.info({ media: mediaId, kind: item.kind }, "media ready");
  } catch (error) {
    if (!(error instanceof UploadProblem)) throw error;
    log.info({ media: mediaId, problem: error.message }, "media refused");
    await tell("failed", 1, {
      problem: replacement ? `The replacement was not used. ${error.message}` : error.message,
    });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function ingestFile(
  item: { sha256: string; name: string },
  folder: string,
  onProgress: (share: number) => void,
): Promise<Measured> {
  const path = await store().local(originalKey(item.sha256));
  const type = await sniffType(path, item.name);
  const brought = { ...item, path, type, folder };
  // A recorder writes sound alone into a WebM or MP4 file too; only its tracks tell.
  const soundOnly =
    type.kind === "clip" && (await probe(path, type, item.name).then(({ picture, hasSound }) => !picture && hasSound));
  switch (soundOnly ? "sound" : type.kind) {
    case "picture": {
      const { look, ...facts } = await ingestPicture(brought);
      return {
        kind: "picture",
        ...seen(look),
        width: facts.width,
        height: facts.height,
        length_ms: null,
        facts: factsOf({ ...facts, ...measuredOf(look), sharpness: look.sharpness }),
      };
    }
    case "clip": {
      const { look, cuts, ...facts } = await ingestClip(brought, onProgress);
      const { numerator, denominator } = facts.rate;
      return {
        kind: "clip",
        ...seen(look),
        width: facts.width,
        height: facts.height,
        length_ms: Math.round((facts.frames * 1000 * denominator) / numerator),
        facts: factsOf({ ...facts, ...measuredOf(look), cuts: [...cuts] }),
      };
    }
    case "sound": {
      const { peaks, levels, ...facts } = await ingestSound(brought);
      return {
        kind: "sound",
        colors: [],
        look: null,
        sharpness: null,
        width: null,
        height: null,
        length_ms: facts.length,
        facts: factsOf({ ...facts, levels: [...levels], peaks: [...peaks] }),
      };
    }
  }
}

const factsOf = (facts: StoredFacts): string => JSON.stringify(facts);
const measuredOf = ({ focal, colors, quality }: PictureLook) => ({ focal, colors: [...colors], quality });
const seen = (look: PictureLook): Pick<Measured, "colors" | "look" | "sharpness"> => ({
  colors: colorWords(look.colors),
  look: look.hash,
  sharpness: look.sharpness,
});

/** Says that an item could not be read in after all tries: something of ours broke, not the file. */
export async function giveUpIngest(db: Kysely<Database>, mediaId: string): Promise<void> {
  const row = await db
    .updateTable("media")
    .set({
      state: "failed",
      problem:
        "Reading it in failed on our side. Remove it and bring it again; if that does not help, tell whoever runs Stencilcraft.",
    })
    .where("id", "=", mediaId)
    .where("state", "!=", "ready")
    .returning("team_id")
    .executeTakeFirst();
  if (row) await tellTeam(db, row.team_id, { topic: "media", id: mediaId, state: "failed", progress: 1 });
}
