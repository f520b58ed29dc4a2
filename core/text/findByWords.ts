import { distance } from "fastest-levenshtein";
import { RELATED } from "./relatedWords";

/** How many letters a word may be off and still be it: none of a short one. */
const offBy = (word: string): number => (word.length < 5 ? 0 : word.length < 9 ? 1 : 2);
const MOST_NEAR = 4;
/** A word that shares less than this with what was asked is not near it. */
const LEAST_SHARED = 0.5;

const split = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

/** What was found, and, where nothing was, words that are near those that were asked for and would find something. */
export interface FoundByWords<Item> {
  readonly items: readonly Item[];
  readonly near: readonly string[];
}

/**
 * Finds what answers all words that were typed: by itself first, then by what goes with them (occasions, other words for the
 * same), forgiving a letter or two.
 *
 * @param textsOf what an item is found by
 */
export function findByWords<Item>(
  items: readonly Item[],
  textsOf: (item: Item) => readonly string[],
  typed: string,
): FoundByWords<Item> {
  const wanted = split(typed);
  if (wanted.length === 0) return { items, near: [] };
  const known = items.map((item) => {
    const text = textsOf(item).join(" ").toLowerCase();
    return { item, text, words: split(text) };
  });
  const answers = (asks: (word: string, of: (typeof known)[number]) => boolean): Item[] =>
    known.filter((one) => wanted.every((word) => asks(word, one))).map(({ item }) => item);
  const itself = answers((word, { text }) => text.includes(word));
  const around = answers(
    (word, { text, words }) =>
      text.includes(word) ||
      (RELATED[word] ?? []).some((other) => words.includes(other)) ||
      words.some((other) => distance(word, other) <= offBy(word)),
  );
  const found = [...new Set([...itself, ...around])];
  return {
    items: found,
    near:
      found.length > 0
        ? []
        : nearWords(
            wanted,
            known.flatMap(({ words }) => words),
          ),
  };
}

function nearWords(wanted: readonly string[], words: readonly string[]): string[] {
  const vocabulary = [...new Set([...words, ...Object.keys(RELATED)])].filter((word) => word.length > 3);
  const shared = (word: string): number =>
    Math.max(...wanted.map((one) => 1 - distance(one, word) / Math.max(one.length, word.length)));
  return vocabulary
    .map((word) => ({ word, share: shared(word) }))
    .filter(({ share }) => share >= LEAST_SHARED)
    .sort((one, other) => other.share - one.share)
    .slice(0, MOST_NEAR)
    .map(({ word }) => word);
}
