import { sql } from "kysely";
import { number, object, string } from "yup";
import { type FormatName, isFormatName } from "../../core/placement/formats";
import { Refusal } from "../../core/refusal";
import { type TeamScope } from "../db/teamScope";
import { words } from "../doors/fields";
import { tellTeam } from "../events/teamEvents";
import { type ReadForm, readForm } from "../formProblems";
import { isId } from "../ids";
import { type Commenter } from "./commenter";

const MOST_WORDS = 2000;
/** More is a conversation to have elsewhere; and what somebody with a link could fill a page with. */
const MOST_COMMENTS = 500;
/** So many are taken by one link within ten minutes. */
const MOST_AT_A_STRETCH = 30;
const LONGEST_MS = 3_600_000;

const share = () => number().min(0, "This place is outside.").max(1, "This place is outside.").optional();
/** What is typed into fields that are left empty is nothing. */
const orNothing = (value: unknown, typed: unknown): unknown => (typed === "" ? undefined : value);

const commentForm = object({
  words: words(MOST_WORDS).required("Write what you want to say."),
  format: string()
    .transform(orNothing)
    .test("format", "There is no such format.", (value) => value === undefined || isFormatName(value))
    .optional(),
  at: number().transform(orNothing).integer("Time is in milliseconds.").min(0).max(LONGEST_MS).optional(),
  x: share().transform(orNothing),
  y: share().transform(orNothing),
  answers: string()
    .transform(orNothing)
    .test("id", "There is no such comment.", (value) => value === undefined || isId(value))
    .optional(),
});

/** What was looked at by whoever says something. */
export interface About {
  readonly promotion: string;
  readonly revision: number;
}

/** Keeps what somebody says about a promotion, and tells the team. Throws a Refusal where too much was said already. */
export async function addComment(
  scope: TeamScope,
  { promotion, revision }: About,
  by: Commenter,
  form: FormData,
): Promise<ReadForm<{ readonly id: string }>> {
  const read = await readForm(commentForm, form);
  if (!read.ok) return read;
  const { words: said, format, at, x, y, answers } = read.values;
  await refuseTooMany(scope, promotion, by);
  // An answer belongs to the comment that began the talk, so that there are two levels and no more.
  const asked = answers === undefined ? null : await beginningOf(scope, promotion, answers);
  const row = await scope
    .insert("review_comment", {
      ...{ promotion_id: promotion, revision, words: said, answers: asked },
      ...(asked === null
        ? { format: format ?? null, at_ms: at ?? null, x: x ?? null, y: y ?? null }
        : { format: null, at_ms: null, x: null, y: null }),
      ...{ by_name: by.name, member_id: by.member, link_id: by.link },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await tellOfComments(scope, promotion, by.name);
  return { ok: true, values: row };
}

async function refuseTooMany(scope: TeamScope, promotion: string, by: Commenter): Promise<void> {
  const { all, lately } = await scope
    .select("review_comment")
    .where("promotion_id", "=", promotion)
    .select([
      sql<string>`count(*)`.as("all"),
      sql<string>`count(*) filter (where link_id = ${by.link} and created_at > now() - interval '10 minutes')`.as(
        "lately",
      ),
    ])
    .executeTakeFirstOrThrow();
  if (Number(all) >= MOST_COMMENTS)
    throw new Refusal(`There are ${MOST_COMMENTS} comments on this promotion, and no room for more. Remove old ones.`);
  if (Number(lately) >= MOST_AT_A_STRETCH)
    throw new Refusal("That is a great deal at a time. Wait ten minutes, then go on.");
}

async function beginningOf(scope: TeamScope, promotion: string, id: string): Promise<string> {
  const row = await scope
    .select("review_comment")
    .select(["id", "answers"])
    .where("id", "=", id)
    .where("promotion_id", "=", promotion)
    .executeTakeFirst();
  if (!row) throw new Refusal("The comment that you answer is gone.");
  return row.answers ?? row.id;
}

/** Marks a comment as done, or as open again. */
export async function resolveComment(
  scope: TeamScope,
  promotion: string,
  { id, by, isDone }: { readonly id: string; readonly by: string; readonly isDone: boolean },
): Promise<void> {
  await scope
    .update("review_comment")
    .set(isDone ? { resolved_at: new Date(), resolved_by: by } : { resolved_at: null, resolved_by: null })
    .where("id", "=", id)
    .where("promotion_id", "=", promotion)
    .where("answers", "is", null)
    .execute();
  await tellOfComments(scope, promotion, by);
}

/** Removes a comment with its answers. */
export async function removeComment(scope: TeamScope, promotion: string, id: string, by: string): Promise<void> {
  await scope.remove("review_comment").where("id", "=", id).where("promotion_id", "=", promotion).execute();
  await tellOfComments(scope, promotion, by);
}

async function tellOfComments(scope: TeamScope, promotion: string, by: string): Promise<void> {
  const row = await scope
    .select("promotion")
    .select(["slug", "name"])
    .where("id", "=", promotion)
    .executeTakeFirstOrThrow();
  await tellTeam(scope.connection, scope.teamId, { topic: "review", ...row, what: "comment", by });
}

/** One thing that was said. */
export interface Said {
  readonly id: string;
  readonly words: string;
  readonly by: string;
  /** Whether by somebody who came by a link. */
  readonly isGuest: boolean;
  readonly at: Date;
}
/** A comment with its answers. */
export interface Comment extends Said {
  readonly revision: number;
  readonly format: FormatName | null;
  readonly atMs: number | null;
  /** Where in the frame, in shares of its width and height; null where it is about all of it. */
  readonly place: { readonly x: number; readonly y: number } | null;
  readonly resolvedBy: string | null;
  readonly answers: readonly Said[];
}

/** What was said about a promotion, in the order in which it was begun. */
export async function commentsOn(scope: TeamScope, promotion: string): Promise<Comment[]> {
  const rows = await scope
    .select("review_comment")
    .selectAll()
    .where("promotion_id", "=", promotion)
    .orderBy("created_at")
    .orderBy("id")
    .limit(MOST_COMMENTS)
    .execute();
  const said = (row: (typeof rows)[number]): Said => ({
    id: row.id,
    words: row.words,
    by: row.by_name,
    isGuest: row.link_id !== null,
    at: row.created_at,
  });
  return rows
    .filter(({ answers }) => answers === null)
    .map((row) => ({
      ...said(row),
      revision: row.revision,
      format: isFormatName(row.format) ? row.format : null,
      atMs: row.at_ms,
      place: row.x !== null && row.y !== null ? { x: row.x, y: row.y } : null,
      resolvedBy: row.resolved_at === null ? null : (row.resolved_by ?? "somebody"),
      answers: rows.filter(({ answers }) => answers === row.id).map(said),
    }));
}

/** How many comments on a promotion are not done. */
export async function openComments(scope: TeamScope, promotion: string): Promise<number> {
  const { count } = await scope
    .select("review_comment")
    .where("promotion_id", "=", promotion)
    .where("answers", "is", null)
    .where("resolved_at", "is", null)
    .select((eb) => eb.fn.countAll<string>().as("count"))
    .executeTakeFirstOrThrow();
  return Number(count);
}
