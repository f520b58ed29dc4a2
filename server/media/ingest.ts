import { type Kysely } from "kysely";
import { colorWords } from "../../core/color/colorNames";
import { type Database } from "../db/tables";
import { teamScope } from "../db/teamScope";
import { fillAwaiting, forgetAwaiting } from "../promotions/awaitedFills";
import { markNaming } from "../promotions/outdated";
import { tellTeam } from "../events/teamEvents";
import { type Replacement } from "../jobs/enqueue";
import { type GivenUp } from "../jobs/jobTask";
import { type JobNote } from "../jobs/jobTimes";
import { whileTellingProgress } from "../jobs/whileTelling";
import { log } from "../log";
import { originalKey } from "../storage/keys";
import { NO_ROOM, isStorageFull, needRoom } from "../storage/full";
import { store } from "../storage/store";
import { ingestClip } from "./clipIngest";
import { ingestPicture } from "./pictureIngest";
import { ingestSound } from "./soundIngest";
import { type Measured, measuredOnce } from "./measured";
import { type PictureLook } from "./pictureLook";
import { probe } from "./probe";
import { type StoredFacts } from "./storedFacts";
import { sniffType } from "./sniff";
import { UploadProblem } from "./uploadProblem";
import { inWorkFolder } from "../workFolder";

/**
 * The ingest job: measures an item and makes its working copies. Safe to run twice. A problem of the file ends it, in words.
 * With a replacement, the item keeps its own file, and stays in use, until the new one is read in.
 */
export async function ingestMedia(
  db: Kysely<Database>,
  mediaId: string,
  replacement?: Replacement,
): Promise<JobNote | undefined> {
  const item = await db.selectFrom("media").selectAll().where("id", "=", mediaId).executeTakeFirst();
  if (!item || (replacement && item.sha256 === replacement.sha256)) return undefined;
  const scope = teamScope(db, item.team_id);
  if (!replacement && item.state === "ready") {
    // Whoever read it in may have been ended before this.
    await fillAwaiting(scope, mediaId);
    return undefined;
  }
  /** Changes the item, if it is there and has its file still, and tells the team. Gives whether it was. */
  const tell = async (
    phase: "waiting" | "working" | "ready" | "failed",
    progress: number,
    change: { problem?: string | null } & Partial<Measured & Replacement> = {},
  ): Promise<boolean> => {
    const state = replacement ? "ready" : phase;
    const changed = await db
      .updateTable("media")
      .set({ state, progress, ...change })
      .where("id", "=", mediaId)
      .where("sha256", "=", item.sha256)
      .executeTakeFirst();
    if (changed.numUpdatedRows === 0n) return false;
    await tellTeam(db, item.team_id, { topic: "media", id: mediaId, state: phase, progress });
    return true;
  };
  try {
    await needRoom();
    await tell("working", 0.02, { problem: null });
    const file = { ...item, ...replacement };
    const measured = await whileTellingProgress(
      (share) => tell("working", share).then(() => undefined),
      (onProgress) =>
        inWorkFolder("ingest", (folder) =>
          measuredOnce(file.sha256, folder, () => ingestFile(file, folder, onProgress)),
        ),
    );
    if (!(await tell("ready", 1, { ...measured, ...replacement, problem: null }))) return undefined;
    if (replacement) await markNaming(scope, [mediaId], `${item.name} was replaced`);
    else await fillAwaiting(scope, mediaId);
    log.info({ media: mediaId, kind: item.kind }, "media ready");
    return { team: item.team_id };
  } catch (error) {
    if (isStorageFull(error))
      await tell("waiting", 0, { problem: `${NO_ROOM} It is read in when there is room again.` });
    if (!(error instanceof UploadProblem)) throw error;
    log.info({ media: mediaId, problem: error.message }, "media refused");
    await tell("failed", 1, {
      problem: replacement ? `The replacement was not used. ${error.message}` : error.message,
    });
    if (!replacement) await forgetAwaiting(scope, mediaId);
    return undefined;
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

const PROBLEMS: Readonly<Record<GivenUp, string>> = {
  failed:
    "Reading it in failed on our side. Remove it and bring it again; if that does not help, tell whoever runs Stencilcraft.",
  "set aside":
    "It was set aside: reading it in stopped the program that reads files, twice. Export it anew, perhaps in another format.",
};

/** Says that an item could not be read in. One that was to get another file keeps its own. */
export async function giveUpIngest(
  db: Kysely<Database>,
  mediaId: string,
  why: GivenUp,
  replacement?: Replacement,
): Promise<void> {
  const problem = replacement ? `The replacement was not used. ${PROBLEMS[why]}` : PROBLEMS[why];
  const row = await db
    .updateTable("media")
    .set(replacement ? { problem } : { state: "failed", problem })
    .where("id", "=", mediaId)
    .where("state", replacement ? "=" : "!=", "ready")
    .returning("team_id")
    .executeTakeFirst();
  if (!row) return;
  await tellTeam(db, row.team_id, { topic: "media", id: mediaId, state: "failed", progress: 1 });
  if (!replacement) await forgetAwaiting(teamScope(db, row.team_id), mediaId);
}
