import { type InferType, array, boolean, object, string } from "yup";
import { type Placement, type PostLimits } from "../placement/placements";

/** Longer than any placement takes. */
const MOST_LETTERS = 10_000;
export const MOST_TAGS = 60;
/** Letters of one tag. */
export const MOST_TAG = 60;
const TAG = /^[\p{L}\p{N}_]+$/u;

const schema = object({
  title: string().max(MOST_LETTERS).defined(),
  body: string().max(MOST_LETTERS).defined(),
  /** Without the sign before them. */
  tags: array(string().max(MOST_TAG).matches(TAG, "A tag is letters and figures, without spaces.").required())
    .max(MOST_TAGS)
    .required(),
  /** Where it leads; "" for nowhere. */
  link: string().max(2000).defined(),
  /** What is seen, for those who don't see it. */
  alt: string().max(MOST_LETTERS).defined(),
  /** Whether the link says where it was followed from (UTM parameters). */
  countsFrom: boolean().required(),
});
/** The words of a post. */
export type PostWords = Readonly<InferType<typeof schema>>;

/** Reads the words of a post. Throws what is wrong with them. */
export const readPostWords = (value: unknown): PostWords => schema.validateSync(value, { strict: true });

export const NO_WORDS: PostWords = { title: "", body: "", tags: [], link: "", alt: "", countsFrom: true };

/** Letters as people count them: what is one sign to them is one. */
export const lettersOf = (text: string): number => [...new Intl.Segmenter().segment(text)].length;

/** Tags out of a line of them, with or without their signs. */
export const tagsIn = (line: string): string[] => [
  ...new Set(
    line
      .split(/[\s,]+/)
      .map((tag) => tag.replace(/^#+/, ""))
      .filter((tag) => TAG.test(tag)),
  ),
];

/** What of a post's words a placement does not take, in words. */
export function postProblems(
  { title, body, tags, link, alt }: PostWords,
  { title: place, post, kinds }: Pick<Placement, "title" | "post" | "kinds">,
): string[] {
  const over = (what: string, count: number, most: number | null): string[] =>
    count > (most ?? 0)
      ? [most === null ? `${place} takes no ${what}` : `${what}: ${count}, and ${place} takes ${most}`]
      : [];
  return [
    ...over("title", lettersOf(title), post.title),
    ...over("text", lettersOf(body), post.body),
    ...over("tags", tags.length, post.tags),
    ...(link !== "" && !post.link ? [`${place} takes no link`] : []),
    ...(kinds[0] === "still" && alt.trim() === "" ? [`${place} wants words for those who don’t see the picture`] : []),
  ];
}

/** Words with what a placement does not take left out, and what is too long cut at a word. */
export function fittedWords(words: PostWords, post: PostLimits): PostWords {
  return {
    ...words,
    title: cut(words.title, post.title),
    body: cut(words.body, post.body),
    tags: words.tags.slice(0, post.tags ?? 0),
    link: post.link ? words.link : "",
  };
}

function cut(text: string, most: number | null): string {
  if (most === null) return "";
  if (lettersOf(text) <= most) return text;
  const letters = [...new Intl.Segmenter().segment(text)].map(({ segment }) => segment);
  const short = letters.slice(0, most - 1).join("");
  const word = short.lastIndexOf(" ");
  return `${word > most / 2 ? short.slice(0, word) : short}…`;
}

/**
 * A link that says where it was followed from: `utm_source` the channel, `utm_medium` social, `utm_campaign` the promotion,
 * `utm_content` the placement (common practice of web statistics). What the link says itself stays.
 */
export function countedLink(
  link: string,
  from: { readonly channel: string; readonly campaign: string; readonly placement: string },
): string {
  const url = URL.parse(link);
  if (!url || !/^https?:$/.test(url.protocol)) return link;
  const say = (name: string, value: string): void => {
    if (!url.searchParams.has(name)) url.searchParams.set(name, value);
  };
  say("utm_source", from.channel);
  say("utm_medium", "social");
  say("utm_campaign", from.campaign);
  say("utm_content", from.placement);
  return url.href;
}
