import qrcode from "qrcode";
import { type Placement } from "../../core/placement/placements";
import { fittedWords, lettersOf, postProblems } from "../../core/post/postWords";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { type StoredPromotion } from "../promotions/promotionStore";
import { channelsNow, connected } from "./connected";
import { postTextOf } from "./postText";
import { type Post, type PostableFile, postableFiles, postsOf } from "./posts";
import { suggestedWords } from "./suggestedWords";
import { type PostWords } from "../../core/post/postWords";

/** A place that a promotion can be posted to: with which file, saying what, and what is against it. */
export interface PostPlace {
  readonly channel: { readonly id: string; readonly title: string };
  readonly placement: Placement;
  readonly file: PostableFile | null;
  readonly words: PostWords;
  /** Whether it says something of its own. */
  readonly isOwn: boolean;
  readonly counts: { readonly title: number; readonly body: number; readonly tags: number };
  readonly problems: readonly string[];
}

/** All that the desk for posting shows. */
export interface PostDesk {
  readonly words: PostWords;
  readonly suggested: PostWords;
  readonly places: readonly PostPlace[];
  readonly posts: readonly (Post & { readonly page: string | null })[];
  /** Why nothing can be posted now. */
  readonly problem: string | null;
  /** The link as a QR code, as SVG; null where there is none. */
  readonly qr: string | null;
}

export async function loadPostDesk(scope: TeamScope, { id, document }: StoredPromotion): Promise<PostDesk> {
  const [{ channels, problem }, text, posts, { facts }, tags] = await Promise.all([
    channelsNow(),
    postTextOf(scope, id),
    postsOf(scope, id),
    loadRenderInput(scope, document),
    document.product === null
      ? undefined
      : scope.select("product").select("tags").where("id", "=", document.product).executeTakeFirst(),
  ]);
  const placements = channels.flatMap((channel) => channel.placements);
  const files = await postableFiles(scope, id, placements);
  const connection = connected();
  const places = channels.flatMap((channel) =>
    channel.placements.map((placement) => {
      const own = text.own[placement.id];
      const words = own ?? fittedWords(text.words, placement.post);
      return {
        channel: { id: channel.id, title: channel.title },
        ...{ placement, words, isOwn: own !== undefined, file: files.get(placement.id) ?? null },
        counts: { title: lettersOf(words.title), body: lettersOf(words.body), tags: words.tags.length },
        problems: postProblems(words, placement),
      };
    }),
  );
  const { link } = text.words;
  return {
    ...{ words: text.words, places, problem, suggested: suggestedWords(document, facts, tags?.tags ?? []) },
    posts: posts.map((post) => ({
      ...post,
      page: post.state === "live" && post.remote !== null && connection ? connection.pageOf(post.remote) : null,
    })),
    qr: link === "" ? null : await qrcode.toString(link, { type: "svg", margin: 1, errorCorrectionLevel: "M" }),
  };
}
