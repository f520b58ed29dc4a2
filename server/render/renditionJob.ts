import { join } from "node:path";
import { type Kysely, sql } from "kysely";
import { readOutput } from "../../core/output/output";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { Refusal } from "../../core/refusal";
import { type Database, type RenditionState } from "../db/tables";
import { type Jobs } from "../jobs/enqueue";
import { type GivenUp } from "../jobs/jobTask";
import { type JobNote } from "../jobs/jobTimes";
import { whileTelling } from "../jobs/whileTelling";
import { log } from "../log";
import { NO_ROOM, isStorageFull, needRoom } from "../storage/full";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { inWorkFolder } from "../workFolder";
import { renderFile } from "./renderFile";
import { readRenderInput } from "./renderInput";
import { type SegmentPainter } from "./segmentPainter";
import { SegmentGivenUp } from "./sharedPainter";
import { storedFormat } from "./storedFormat";
import { tellRendition } from "./tellRendition";

type Asked = Jobs["render-rendition"];
type Change = { readonly state: RenditionState; readonly progress: number; readonly problem?: string | null };

/**
 * The render job: makes one rendition's file. Safe to run twice; the row turns ready only when the file is whole and
 * stored. A job for an earlier asking, or of a rendition that was cancelled, ends without a word.
 */
export async function renderRendition(
  db: Kysely<Database>,
  painter: SegmentPainter,
  asked: Asked,
): Promise<JobNote | undefined> {
  const row = await db
    .selectFrom("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .where("rendition.id", "=", asked.rendition)
    .where("rendition.asking", "=", asked.asking)
    .where("rendition.state", "in", ["waiting", "working"])
    .select(["rendition.team_id", "rendition.format", "rendition.output", "render.input"])
    .executeTakeFirst();
  if (!row) return undefined;
  const format = storedFormat(row.format);
  const output = readOutput(row.output);
  const { ending } = FILE_KINDS[output.kind];

  const stop = new AbortController();
  const tell = async (change: Change): Promise<void> => {
    if (!(await told(db, asked, change))) stop.abort(new Error("The rendition is not wanted any more."));
  };
  try {
    await needRoom();
    await tell({ state: "working", progress: 0, problem: null });
    const started = Date.now();
    return await inWorkFolder("rendition", async (folder) => {
      const path = join(folder, `file.${ending}`);
      let progress = 0;
      const wanted = { input: readRenderInput(row.input), choice: { format, output }, path };
      const { file, freshFrames } = await whileTelling(
        () => tell({ state: "working", progress }),
        () => renderFile(painter, wanted, (share) => (progress = share), stop.signal),
      );
      const key = renditionKey(asked.rendition, ending);
      await store().keep(key, path);
      const ready = { state: "ready", progress: 1, file_key: key, file: JSON.stringify(file) } as const;
      // Cancelled at the very end: it is not ready, whatever was stored.
      if (await told(db, asked, ready))
        log.info({ rendition: asked.rendition, format, ms: Date.now() - started }, "rendition ready");
      return { team: row.team_id, frames: file.frames, freshFrames };
    });
  } catch (error) {
    if (stop.signal.aborted) return undefined;
    if (isStorageFull(error))
      await told(db, asked, {
        state: "waiting",
        progress: 0,
        problem: `${NO_ROOM} It goes on by itself when there is room again.`,
      });
    // What can't be done as it was asked for is not tried again: whoever asked can mend it.
    if (error instanceof Refusal) {
      await told(db, asked, { state: "failed", progress: 0, problem: error.message });
      return undefined;
    }
    if (error instanceof SegmentGivenUp) {
      await giveUpRendition(db, asked, error.why);
      return undefined;
    }
    throw error;
  }
}

const ENDED: ReadonlySet<RenditionState> = new Set(["ready", "failed"]);

/** Changes a rendition that is still wanted, and tells the team. Gives whether it was. */
async function told(
  db: Kysely<Database>,
  { rendition, asking }: Asked,
  change: Change & { readonly file_key?: string; readonly file?: string },
): Promise<boolean> {
  const changed = await db
    .updateTable("rendition")
    .set({ ...change, ended_at: ENDED.has(change.state) ? sql<Date>`now()` : null })
    .where("id", "=", rendition)
    .where("asking", "=", asking)
    .where("state", "in", ["waiting", "working"])
    .executeTakeFirst();
  if (changed.numUpdatedRows === 0n) return false;
  await tellRendition(db, rendition, change);
  return true;
}

const PROBLEMS: Readonly<Record<GivenUp, string>> = {
  failed: "Rendering failed on our side. Press Retry; if it fails again, tell whoever runs Stencilcraft.",
  "set aside":
    "Rendering was set aside: it stopped the program that renders, twice. Tell whoever runs Stencilcraft; the log says more.",
};

/** Says that a rendition could not be made after all tries. */
export async function giveUpRendition(db: Kysely<Database>, asked: Asked, why: GivenUp): Promise<void> {
  await told(db, asked, { state: "failed", progress: 0, problem: PROBLEMS[why] });
}
