import { sql } from "kysely";
import { formatTitle } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { readOutput } from "../../core/output/output";
import { instantOf, wallTime } from "../../core/offer/validity";
import { type PostWords, countedLink, fittedWords, postProblems, readPostWords } from "../../core/post/postWords";
import { Refusal } from "../../core/refusal";
import { type Person } from "../auth/sessions";
import { type TeamScope } from "../db/teamScope";
import { type PostState } from "../db/tables";
import { dayAndTime } from "../doors/fields";
import { enqueue } from "../jobs/enqueue";
import { slugOf } from "../../core/text/slug";
import { approvedFormats } from "../review/promotionReview";
import { readRenderedFile } from "../render/renderedFile";
import { type Channel } from "./connection";
import { postTextOf } from "./postText";

/** A file that can be posted to a placement. */
export interface PostableFile {
  readonly rendition: string;
  readonly revision: number;
  readonly quality: string;
  readonly seconds: number;
  readonly bytes: number;
  readonly outdatedBy: string | null;
}

/**
 * The newest finished file of a promotion for each placement: one that was made for it, else one that it takes as it is.
 */
export async function postableFiles(
  scope: TeamScope,
  promotion: string,
  placements: readonly Placement[],
): Promise<ReadonlyMap<string, PostableFile>> {
  const rows = await scope
    .select("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .where("render.promotion_id", "=", promotion)
    .where("rendition.state", "=", "ready")
    .orderBy("rendition.created_at", "desc")
    .limit(200)
    .select(["rendition.id", "rendition.format", "rendition.output", "rendition.file", "rendition.outdated_by"])
    .select("render.revision")
    .execute();
  const files = rows.flatMap(({ id, format, output, file, outdated_by, revision }) => {
    if (!file) return [];
    const { seconds, bytes } = readRenderedFile(file);
    const made = readOutput(output);
    return [
      {
        format,
        made,
        postable: { rendition: id, revision, quality: made.quality, seconds, bytes, outdatedBy: outdated_by },
      },
    ];
  });
  const found = new Map<string, PostableFile>();
  for (const placement of placements) {
    const fits = files.filter(({ format, made }) => {
      if (format !== placement.format || !placement.kinds.includes(made.kind)) return false;
      return !FILE_KINDS[made.kind].isMoving || placement.rates.includes(made.rate);
    });
    const best = fits.find(({ made }) => made.placement === placement.id) ?? fits[0];
    if (best) found.set(placement.id, best.postable);
  }
  return found;
}

/** What is posted: which file, where, and when. */
export interface PostWish {
  readonly promotion: {
    readonly id: string;
    readonly slug: string;
    readonly name: string;
    readonly offer: string | null;
  };
  readonly channel: Channel;
  readonly placement: Placement;
  /** `YYYY-MM-DDTHH:mm` where the team is; null for now. */
  readonly at: string | null;
  /** Whether it is posted whatever there is to say against it. */
  readonly anyway: boolean;
}

/** A post that is on its way, or what there is to say against it. */
export type PostAnswer = { readonly post: string } | { readonly warnings: readonly string[] };

/**
 * Has a promotion posted, now or later. What a channel would not take is refused in words; what somebody should know first
 * (a file that is out of date, an approval that is missing, an offer that has ended) is said, unless it is posted anyway.
 */
export async function schedulePost({ scope, name, team }: Person, wish: PostWish): Promise<PostAnswer> {
  const { promotion, channel, placement, anyway } = wish;
  const file = (await postableFiles(scope, promotion.id, [placement])).get(placement.id);
  if (!file) throw new Refusal(`Nothing is rendered that ${placement.title} takes. Render it first.`);
  const at = momentOf(wish.at, team.zone) ?? new Date();
  const text = await postTextOf(scope, promotion.id);
  const words = wordsFor(text.own[placement.id] ?? fittedWords(text.words, placement.post), wish);
  const [problem] = postProblems(words, placement);
  if (problem) throw new Refusal(`${problem}. Change the words of ${placement.title}.`);
  const warnings = await warningsOf(scope, wish, file, at);
  if (warnings.length > 0 && !anyway) return { warnings };
  const id = await scope.together(async (within) => {
    const row = await within
      .insert("post", {
        ...{ promotion_id: promotion.id, rendition_id: file.rendition, channel: channel.id, placement: placement.id },
        ...{ words: JSON.stringify(words), made_by: name, at },
      })
      .returning(["id", "asking"])
      .executeTakeFirstOrThrow();
    await enqueuePost(within, { id: row.id, asking: row.asking, at });
    return row.id;
  });
  return { post: id };
}

/** Whatever was asked for in between has no say any more. */
const enqueuePost = (scope: TeamScope, post: { readonly id: string; readonly asking: number; readonly at: Date }) =>
  enqueue(
    scope.connection,
    "send-post",
    { post: post.id, asking: post.asking, team: scope.teamId },
    Math.max(0, post.at.getTime() - Date.now()),
  );

/** So far ahead somebody plans; a year later nobody remembers. */
const FARTHEST_MS = 366 * 86_400_000;

function momentOf(typed: string | null, zone: string): Date | null {
  if (typed === null) return null;
  if (!dayAndTime().isValidSync(typed)) throw new Refusal("Choose a date and a time that there are.");
  const local = typed;
  const at = instantOf(local, zone);
  // In the hour that is skipped in spring no clock shows that time.
  if (wallTime(at, zone).slice(0, 16) !== local)
    throw new Refusal(`There is no ${local.slice(11)} on that day: clocks are put on. Choose another time.`);
  if (at.getTime() < Date.now() - 60_000) throw new Refusal("This time is over. Choose one to come, or post it now.");
  if (at.getTime() > Date.now() + FARTHEST_MS) throw new Refusal("Choose a time within a year.");
  return at;
}

const wordsFor = (words: PostWords, { channel, placement, promotion }: PostWish): PostWords => {
  if (words.link === "" || !words.countsFrom) return words;
  const from = { channel: channel.id, campaign: slugOf(promotion.name), placement: placement.id };
  return { ...words, link: countedLink(words.link, from) };
};

/** What somebody should know before a promotion is posted. */
async function warningsOf(
  scope: TeamScope,
  { promotion, placement }: PostWish,
  file: PostableFile,
  at: Date,
): Promise<string[]> {
  const [row, approved, offer] = await Promise.all([
    scope.select("promotion").select(["revision", "review"]).where("id", "=", promotion.id).executeTakeFirstOrThrow(),
    approvedFormats(scope, promotion.id),
    promotion.offer === null
      ? undefined
      : scope
          .select("offer")
          .select(["name", "starts_at", "ends_at"])
          .where("id", "=", promotion.offer)
          .executeTakeFirst(),
  ]);
  return [
    ...(file.outdatedBy === null ? [] : [`The file is out of date: ${file.outdatedBy}.`]),
    ...(file.revision === row.revision ? [] : ["The promotion was changed since this file was rendered."]),
    ...(row.review === "asked" ? ["It waits for approval."] : []),
    ...(row.review === "changes" ? ["Changes are asked for."] : []),
    ...(approved && !approved.includes(placement.format)
      ? [`The ${formatTitle(placement.format)} shape was not in what was approved.`]
      : []),
    ...(row.review === "lapsed" ? ["It was changed since it was approved."] : []),
    ...(file.quality === "480p" ? ["The file is a 480p draft."] : []),
    ...(offer && at < offer.starts_at ? [`“${offer.name}” has not begun by then.`] : []),
    ...(offer && at >= offer.ends_at ? [`“${offer.name}” is over by then.`] : []),
  ];
}

/** Takes a post back that is not out yet. */
export async function cancelPost(scope: TeamScope, promotion: string, id: string): Promise<void> {
  await scope
    .update("post")
    .set((eb) => ({ state: "cancelled" as const, asking: eb("asking", "+", 1) }))
    .where("id", "=", id)
    .where("promotion_id", "=", promotion)
    .where("state", "in", ["scheduled", "posting"])
    .execute();
}

/** Tries a post again that failed or was taken back, at once. */
export async function retryPost(scope: TeamScope, promotion: string, id: string): Promise<void> {
  await scope.together(async (within) => {
    const row = await within
      .update("post")
      .set((eb) => ({
        ...{ state: "scheduled" as const, problem: null, tries: 0, at: new Date() },
        asking: eb("asking", "+", 1),
      }))
      .where("id", "=", id)
      .where("promotion_id", "=", promotion)
      .where("state", "in", ["failed", "cancelled"])
      .returning(["id", "asking", "at"])
      .executeTakeFirst();
    if (row) await enqueuePost(within, row);
  });
}

/** A post as people see it. */
export interface Post {
  readonly id: string;
  readonly channel: string;
  readonly placement: string;
  readonly words: PostWords;
  readonly state: PostState;
  readonly at: Date;
  readonly by: string;
  readonly problem: string | null;
  readonly remote: string | null;
  readonly liveAt: Date | null;
  readonly views: number;
}

const MOST_POSTS = 200;

/** The posts of a promotion, the newest first. */
export async function postsOf(scope: TeamScope, promotion: string): Promise<Post[]> {
  const rows = await scope
    .select("post")
    .selectAll("post")
    .select(sql<string>`(select coalesce(sum(views), 0) from post_views where post_id = post.id)`.as("views"))
    .where("promotion_id", "=", promotion)
    .orderBy("at", "desc")
    .orderBy("post.id")
    .limit(MOST_POSTS)
    .execute();
  return rows.map((row) => ({
    ...{ id: row.id, channel: row.channel, placement: row.placement, words: readPostWords(row.words) },
    ...{ state: row.state, at: row.at, by: row.made_by, problem: row.problem, remote: row.remote_id },
    ...{ liveAt: row.live_at, views: Number(row.views) },
  }));
}
