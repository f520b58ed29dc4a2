import { boolean, object, string } from "yup";
import { MOST_TAG, MOST_TAGS, NO_WORDS, type PostWords, readPostWords, tagsIn } from "../../core/post/postWords";
import { type TeamScope } from "../db/teamScope";
import { words } from "../doors/fields";
import { type ReadForm, readForm } from "../formProblems";

/** What a promotion's posts say: the same everywhere, but for places that say it otherwise. */
export interface PostText {
  readonly words: PostWords;
  /** By placement. */
  readonly own: Readonly<Record<string, PostWords>>;
}

export async function postTextOf(scope: TeamScope, promotion: string): Promise<PostText> {
  const row = await scope
    .select("post_text")
    .select(["words", "own"])
    .where("promotion_id", "=", promotion)
    .executeTakeFirst();
  if (!row) return { words: NO_WORDS, own: {} };
  return {
    words: readPostWords(row.words),
    own: Object.fromEntries(Object.entries(row.own).map(([place, said]) => [place, readPostWords(said)])),
  };
}

const form = object({
  title: words(1000),
  body: words(10_000),
  tags: string()
    .default("")
    .test("tags", `At most ${MOST_TAGS} tags, each of at most ${MOST_TAG} letters and figures.`, (line) => {
      const tags = tagsIn(line);
      return tags.length <= MOST_TAGS && tags.every((tag) => tag.length <= MOST_TAG);
    }),
  link: string()
    .trim()
    .max(2000, "At most 2000 characters.")
    .test("link", "Write a whole link, as in https://example.com/pots.", (text = "") => {
      const url = text === "" ? null : URL.parse(text);
      return text === "" || (url !== null && /^https?:$/.test(url.protocol));
    })
    .default(""),
  alt: words(1000),
  countsFrom: boolean().default(false),
  /** A placement whose words differ; "" for those of all. */
  placement: string().max(60).default(""),
  /** Whether a placement says the same as all again. */
  same: boolean().default(false),
});

/** Keeps what a promotion's posts say, everywhere or in one place. */
export async function savePostText(scope: TeamScope, promotion: string, sent: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(form, sent);
  if (!read.ok) return read;
  const { placement, same, tags: line, ...said } = read.values;
  const asWords = readPostWords({ ...said, tags: tagsIn(line) });
  const before = await postTextOf(scope, promotion);
  const others = Object.fromEntries(Object.entries(before.own).filter(([one]) => one !== placement));
  const text: PostText =
    placement === ""
      ? { ...before, words: asWords }
      : { ...before, own: same ? others : { ...others, [placement]: asWords } };
  const [json, own] = [JSON.stringify(text.words), JSON.stringify(text.own)];
  await scope
    .insert("post_text", { promotion_id: promotion, words: json, own })
    .onConflict((conflict) => conflict.column("promotion_id").doUpdateSet({ words: json, own }))
    .execute();
  return read;
}
