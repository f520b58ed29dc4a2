import { noteDeed } from "../people/deeds";
import { sql } from "kysely";
import { type Decision, type ReviewState, lapsedBy } from "../../core/review/reviewState";
import { type TeamScope } from "../db/teamScope";
import { tellTeam } from "../events/teamEvents";
import { loadRenderInput } from "../promotions/loadFacts";
import { readStored } from "../promotions/readStored";
import { type RenderInput, readRenderInput } from "../render/renderInput";
import { isApproved } from "./askForCheck";
import { type Commenter } from "./commenter";
import { shownOf } from "./shown";

/** Sets how the review of a promotion stands, and tells the team's open pages. */
export async function setReview(
  scope: TeamScope,
  promotion: string,
  { state, by }: { readonly state: ReviewState; readonly by: string },
): Promise<void> {
  const row = await scope
    .update("promotion")
    .set({ review: state, review_by: by, review_at: new Date() })
    .where("id", "=", promotion)
    .returning(["slug", "name"])
    .executeTakeFirst();
  if (row) await tellTeam(scope.connection, scope.teamId, { topic: "review", ...row, what: state, by });
}

/** What somebody says to a render that they looked at. */
export interface NewVerdict {
  readonly promotion: string;
  readonly render: string;
  readonly decision: Decision;
  readonly words: string;
  readonly by: Commenter;
}

/** Notes a decision about a render; how the promotion stands follows from it. */
export async function decide(scope: TeamScope, { promotion, render, decision, words, by }: NewVerdict): Promise<void> {
  await scope
    .insert("verdict", {
      ...{ promotion_id: promotion, render_id: render, decision, words },
      ...{ by_name: by.name, member_id: by.member, link_id: by.link },
    })
    .execute();
  await setReview(scope, promotion, { state: decision, by: by.name });
  const { name } = await scope.select("promotion").select("name").where("id", "=", promotion).executeTakeFirstOrThrow();
  const through = by.link === null ? "" : ", by a link";
  await noteDeed(
    scope,
    by.name,
    `${decision === "approved" ? "approved" : "asked for changes to"} “${name}”${through}`,
  );
  // What was approved may have been changed while somebody looked at it.
  if (decision === "approved") await checkApproval(scope, promotion);
}

/**
 * Compares what was approved of a promotion with what would be rendered now: the approval lapses where anything that is seen
 * or heard has changed, and holds again where all is as it was. Gives how the review stands.
 */
export async function checkApproval(scope: TeamScope, promotion: string): Promise<ReviewState | null> {
  const row = await scope
    .select("promotion")
    .select(["document", "review", "review_by"])
    .where("id", "=", promotion)
    .executeTakeFirst();
  if (!row) return null;
  if (!isApproved(row.review)) return row.review;
  const approved = await lastApproval(scope, promotion);
  const now = await loadRenderInput(scope, readStored(row.document)).catch(() => null);
  const holds = approved && now && (await looksAlike(approved, now));
  const state = holds ? "approved" : "lapsed";
  if (state !== row.review)
    await setReview(scope, promotion, { state, by: approved?.by ?? row.review_by ?? "somebody" });
  return state;
}

/** What was approved last of a promotion: in which formats it was seen, and what it was made from. */
async function lastApproval(scope: TeamScope, promotion: string) {
  const row = await scope
    .select("verdict")
    .innerJoin("render", "render.id", "verdict.render_id")
    .where("verdict.promotion_id", "=", promotion)
    .where("verdict.decision", "=", "approved")
    .orderBy("verdict.created_at", "desc")
    .select(["render.id", "render.input", "verdict.by_name"])
    .executeTakeFirst();
  if (!row) return null;
  const seen = await scope.select("rendition").select("format").where("render_id", "=", row.id).execute();
  return { by: row.by_name, input: row.input, formats: [...new Set(seen.map(({ format }) => format))] };
}

/** The formats in which a promotion was approved; null where it is not, or not any more. */
export async function approvedFormats(scope: TeamScope, promotion: string): Promise<readonly string[] | null> {
  const row = await scope.select("promotion").select("review").where("id", "=", promotion).executeTakeFirst();
  return row?.review === "approved" ? ((await lastApproval(scope, promotion))?.formats ?? null) : null;
}

type Approved = NonNullable<Awaited<ReturnType<typeof lastApproval>>>;
const looksAlike = async ({ input, formats }: Approved, now: RenderInput): Promise<boolean> =>
  lapsedBy(await shownOf(readRenderInput(input), formats), await shownOf(now, formats)) === null;

/** As `checkApproval`, of all promotions of some that were approved. */
export async function checkApprovals(scope: TeamScope, promotions: readonly string[]): Promise<void> {
  if (promotions.length === 0) return;
  const rows = await scope
    .select("promotion")
    .select("id")
    .where("id", "in", [...promotions])
    .where("review", "in", ["approved", "lapsed"])
    .execute();
  for (const { id } of rows) await checkApproval(scope, id);
}

/** A decision as people read it. */
export interface Verdict {
  readonly id: string;
  readonly decision: Decision;
  readonly words: string;
  readonly by: string;
  readonly at: Date;
  readonly revision: number;
}

const MOST_VERDICTS = 30;

/** What was decided about a promotion, the newest first. */
export async function verdictsOf(scope: TeamScope, promotion: string): Promise<Verdict[]> {
  const rows = await scope
    .select("verdict")
    .innerJoin("render", "render.id", "verdict.render_id")
    .where("verdict.promotion_id", "=", promotion)
    .orderBy("verdict.created_at", "desc")
    .limit(MOST_VERDICTS)
    .select(["verdict.id", "decision", "words", "by_name", "verdict.created_at", "render.revision"])
    .execute();
  return rows.map(({ id, decision, words, by_name, created_at, revision }) => ({
    ...{ id, decision, words, revision },
    by: by_name,
    at: created_at,
  }));
}

/** Promotions whose review waits for somebody: for whoever approves, or for whoever fills. */
export interface InReview {
  readonly slug: string;
  readonly name: string;
  readonly state: ReviewState;
  readonly by: string;
  readonly at: Date;
  /** How many comments are not resolved yet. */
  readonly open: number;
}

const MOST_IN_REVIEW = 20;

/** What of a team waits for approval or for changes, the newest first. */
export async function inReview(scope: TeamScope): Promise<InReview[]> {
  const rows = await scope
    .select("promotion")
    .where("review", "in", ["asked", "changes", "lapsed"])
    .where("archived_at", "is", null)
    .orderBy("review_at", "desc")
    .limit(MOST_IN_REVIEW)
    .select(["slug", "name", "review", "review_by", "review_at"])
    .select(
      sql<string>`(select count(*) from review_comment
        where promotion_id = promotion.id and answers is null and resolved_at is null)`.as("open"),
    )
    .execute();
  return rows.map(({ slug, name, review, review_by, review_at, open }) => ({
    ...{ slug, name, state: review, by: review_by ?? "somebody", open: Number(open) },
    at: review_at ?? new Date(0),
  }));
}
