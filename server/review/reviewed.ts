import { type SqlBool, sql } from "kysely";
import { type ReviewState } from "../../core/review/reviewState";
import { type FormatName, isFormatName } from "../../core/placement/formats";
import { Refusal } from "../../core/refusal";
import { type TeamScope } from "../db/teamScope";
import { NO_ID, isId } from "../ids";
import { type RenderedFile, readRenderedFile } from "../render/renderedFile";
import { type Comment, commentsOn } from "./comments";
import { type Verdict, verdictsOf } from "./promotionReview";

/** A file that can be looked at. */
export interface ReviewedFile {
  readonly id: string;
  readonly format: FormatName;
  readonly file: RenderedFile;
}
/** The render that is looked at: the newest that is whole. */
export interface ReviewedRender {
  readonly id: string;
  readonly revision: number;
  readonly quality: string;
  readonly createdAt: Date;
  readonly files: readonly ReviewedFile[];
}
/** All that a review shows. */
export interface Reviewed {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly revision: number;
  readonly state: ReviewState;
  /** Whether something newer is being rendered. */
  readonly isComing: boolean;
  readonly render: ReviewedRender | null;
  readonly comments: readonly Comment[];
  readonly verdicts: readonly Verdict[];
}

/** What is reviewed, without what was said of it. Throws a 404 where it is gone. */
export async function reviewedPromotion(scope: TeamScope, promotion: string) {
  const row = await scope
    .select("promotion")
    .select(["id", "slug", "name", "revision", "review"])
    .where("id", "=", promotion)
    .executeTakeFirst();
  if (!row) throw new Response("This promotion is gone.", { status: 404 });
  return row;
}

/** What a review of a promotion shows. Throws a 404 where it is gone. */
export async function reviewedOf(scope: TeamScope, promotion: string): Promise<Reviewed> {
  const { review, ...about } = await reviewedPromotion(scope, promotion);
  const [render, coming, comments, verdicts] = await Promise.all([
    newestWhole(scope, promotion),
    scope
      .select("rendition")
      .innerJoin("render", "render.id", "rendition.render_id")
      .where("render.promotion_id", "=", promotion)
      .where("rendition.state", "in", ["waiting", "working"])
      .select("rendition.id")
      .limit(1)
      .executeTakeFirst(),
    commentsOn(scope, promotion),
    verdictsOf(scope, promotion),
  ]);
  return { ...about, state: review, isComing: coming !== undefined, render, comments, verdicts };
}

/** What is looked at, and which of several of a format: what plays in most browsers first. */
const FILMS = sql`array['mp4', 'webm', 'av1', 'hevc']`;

/** The newest render of a promotion that has a film and of which nothing is missing, with its films. */
export async function newestWhole(scope: TeamScope, promotion: string): Promise<ReviewedRender | null> {
  const render = await scope
    .select("render")
    .select(["id", "revision", "quality", "created_at"])
    .where("promotion_id", "=", promotion)
    .where(
      sql<SqlBool>`exists (select from rendition where render_id = render.id and output ->> 'kind' = any(${FILMS}))`,
    )
    .where(sql<SqlBool>`not exists (select from rendition where render_id = render.id and state <> 'ready')`)
    .orderBy("created_at", "desc")
    .limit(1)
    .executeTakeFirst();
  if (!render) return null;
  const rows = await scope
    .select("rendition")
    .select(["id", "format", "file"])
    .where("render_id", "=", render.id)
    .where(sql<SqlBool>`output ->> 'kind' = any(${FILMS})`)
    .orderBy(sql`array_position(${FILMS}, output ->> 'kind')`)
    .orderBy("created_at")
    .execute();
  const { id, revision, quality, created_at } = render;
  const all = rows.flatMap(({ id: rendition, format, file }) =>
    isFormatName(format) && file ? [{ id: rendition, format, file: readRenderedFile(file) }] : [],
  );
  // Made for several places, a format is the same to look at in each.
  const files = all
    .filter(({ format }, at) => all.findIndex((one) => one.format === format) === at)
    .toSorted((one, other) => one.format.localeCompare(other.format));
  return { id, revision, quality, createdAt: created_at, files };
}

/** The render of a promotion that a decision is about. Throws a Refusal where there is none like it. */
export async function decidedRender(scope: TeamScope, promotion: string, render: string): Promise<string> {
  const row = await scope
    .select("render")
    .select("id")
    .where("id", "=", render)
    .where("promotion_id", "=", promotion)
    .executeTakeFirst();
  if (!row) throw new Refusal("What you looked at is gone. Load the page again, and look at what is there now.");
  return row.id;
}

/** Throws a 404 unless a rendition is one of a promotion's. */
export async function requireOwnRendition(scope: TeamScope, promotion: string, id: string): Promise<void> {
  const row = await scope
    .select("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .where("rendition.id", "=", isId(id) ? id : NO_ID)
    .where("render.promotion_id", "=", promotion)
    .select("rendition.id")
    .executeTakeFirst();
  if (!row) throw new Response("There is no such file.", { status: 404 });
}
