import { languagesOf } from "../../core/document/captionsPart";
import { type Output, isDraft, readOutput, usualOutput } from "../../core/output/output";
import { type WantedFile } from "../../core/output/renderWish";
import { type FormatName, isFormatName } from "../../core/placement/formats";
import { DRAFT, type Quality, isQuality } from "../../core/placement/quality";
import { config } from "../config";
import { type RenditionState } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { enqueue } from "../jobs/enqueue";
import { loadRenderInput } from "../promotions/loadFacts";
import { preflight } from "../promotions/preflight";
import { type Passed, readPassed, wrongInWords } from "./passed";
import { type StoredPromotion } from "../promotions/promotionStore";
import { captionsColumn, readRenderCaptions } from "./renderCaptions";
import { type RenderedFile, readRenderedFile } from "./renderedFile";
import { tellRendition } from "./tellRendition";

/** What is asked for: which files, and who lets what must be mended pass, and why. */
export interface AskedRender {
  readonly files: readonly WantedFile[];
  /** Who asks: a member's id. */
  readonly askedBy?: string;
  /** Null where nobody lets anything pass. */
  readonly letPass: Pick<Passed, "by" | "reason"> | null;
}

const unfinished: RenditionState[] = ["waiting", "working"];

/** The same file in several formats: as films usually are, in a quality. */
export const filesIn = (formats: readonly FormatName[], quality: Quality): WantedFile[] =>
  formats.map((format) => ({ format, output: usualOutput(quality) }));

type NotRendered = { readonly blocked: readonly string[] } | { readonly tooMany: string };
/** A render that was asked for, what must be mended first, or why there is no room for it now. */
export type RenderAnswer = { readonly render: string } | NotRendered;

/**
 * Asks for renditions of a promotion as it stands now, one per format; each is a job of its own. What must be mended first
 * blocks them, unless somebody lets it pass with a reason, which is kept with the render.
 */
export async function requestRender(
  scope: TeamScope,
  promotion: StoredPromotion,
  { files, askedBy, letPass }: AskedRender,
): Promise<RenderAnswer> {
  const tooMany = await saidOfTooMany(scope, files.length);
  if (tooMany !== null) return { tooMany };
  const input = await loadRenderInput(scope, promotion.document);
  const { promotion: shown, findings } = await preflight(input);
  const found = wrongInWords(findings, shown);
  if (found.length > 0 && letPass === null) return { blocked: found };
  // Drafts are for somebody who waits; a render that has anything else in it is not.
  const quality = files.find(({ output }) => !isDraft(output))?.output.quality ?? DRAFT;
  const passed: Passed | null = letPass && found.length > 0 ? { ...letPass, found } : null;
  return scope.together(async (within) => {
    const render = await within
      .insert("render", {
        promotion_id: promotion.id,
        revision: promotion.revision,
        quality,
        input: JSON.stringify(input),
        passed: passed && JSON.stringify(passed),
        asked_by: askedBy ?? null,
      })
      .returning("id")
      .executeTakeFirstOrThrow();
    for (const { format, output } of files) {
      const { id, asking } = await within
        .insert("rendition", {
          ...{ render_id: render.id, format, output: JSON.stringify(output) },
          ...{ file: null, file_key: null, problem: null },
        })
        .returning(["id", "asking"])
        .executeTakeFirstOrThrow();
      await enqueue(within.connection, "render-rendition", {
        ...{ rendition: id, asking, isDraft: isDraft(output) },
        team: within.teamId,
      });
      await tellRendition(within.connection, id, { state: "waiting", progress: 0 });
    }
    return { render: render.id };
  });
}

/** Words where a team would have more in the queue than is good for the others; else null. */
async function saidOfTooMany(scope: TeamScope, more: number): Promise<string | null> {
  const most = config().LIMIT_TEAM_RENDITIONS;
  const { count } = await scope
    .select("rendition")
    .where("state", "in", unfinished)
    .select((eb) => eb.fn.countAll<string>().as("count"))
    .executeTakeFirstOrThrow();
  if (Number(count) + more <= most) return null;
  const have = count === "1" ? "One file of your team is" : `${count} files of your team are`;
  const cure = "Wait for some of them, or cancel on the page “Queue” what is not needed.";
  return `${have} still to be rendered, and with ${more} more there would be over ${most}. ${cure}`;
}

export interface RenditionView {
  readonly id: string;
  readonly format: FormatName;
  readonly state: RenditionState;
  readonly progress: number;
  readonly problem: string | null;
  readonly file: RenderedFile | null;
  readonly output: Output;
  readonly outdatedBy: string | null;
}
export interface RenderView {
  readonly id: string;
  readonly revision: number;
  readonly quality: Quality;
  readonly createdAt: Date;
  readonly passed: Passed | null;
  /** The languages that it has captions in. */
  readonly captionsIn: readonly string[];
  readonly renditions: readonly RenditionView[];
}

/** The renders of a promotion, newest first. */
export async function rendersOf(scope: TeamScope, promotionId: string, most = 10): Promise<RenderView[]> {
  const renders = await scope
    .select("render")
    .select(["id", "revision", "quality", "passed", "created_at", captionsColumn])
    .where("promotion_id", "=", promotionId)
    .orderBy("created_at", "desc")
    .limit(most)
    .execute();
  if (renders.length === 0) return [];
  const rows = await scope
    .select("rendition")
    .selectAll()
    .where(
      "render_id",
      "in",
      renders.map((render) => render.id),
    )
    .orderBy("created_at")
    .orderBy("format")
    .execute();
  return renders.map((render) => ({
    id: render.id,
    revision: render.revision,
    quality: isQuality(render.quality) ? render.quality : "1080p",
    createdAt: render.created_at,
    passed: readPassed(render.passed),
    captionsIn: languagesOf(readRenderCaptions(render.captions)),
    renditions: rows
      .filter((row) => row.render_id === render.id)
      .flatMap((row) =>
        isFormatName(row.format)
          ? [
              {
                id: row.id,
                format: row.format,
                state: row.state,
                progress: row.progress,
                problem: row.problem,
                outdatedBy: row.outdated_by,
                output: readOutput(row.output),
                file: row.file ? readRenderedFile(row.file) : null,
              },
            ]
          : [],
      ),
  }));
}

/** Stops a rendition that is not finished. The worker notices within a second; nothing half made is kept. */
export async function cancelRendition(scope: TeamScope, id: string): Promise<void> {
  const row = await scope
    .update("rendition")
    .set({ state: "cancelled" })
    .where("id", "=", id)
    .where("state", "in", unfinished)
    .returning("id")
    .executeTakeFirst();
  if (row) await tellRendition(scope.connection, id, { state: "cancelled", progress: 0 });
}

/** Queues a failed or cancelled rendition again, from the same input. */
export async function retryRendition(scope: TeamScope, id: string): Promise<void> {
  await scope.together(async (within) => {
    const row = await within
      .update("rendition")
      .set((eb) => ({ state: "waiting", progress: 0, problem: null, asking: eb("asking", "+", 1) }))
      .where("id", "=", id)
      .where("state", "in", ["failed", "cancelled"])
      .returning(["asking", "output"])
      .executeTakeFirst();
    if (!row) return;
    await enqueue(within.connection, "render-rendition", {
      ...{ rendition: id, asking: row.asking, isDraft: isDraft(readOutput(row.output)) },
      team: within.teamId,
    });
    await tellRendition(within.connection, id, { state: "waiting", progress: 0 });
  });
}
