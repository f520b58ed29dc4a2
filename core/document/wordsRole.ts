/** What words are for; a role decides face, sizes and how many lines. */
export const WORDS_ROLES = [
  "headline",
  "name",
  "line",
  "small",
  "call",
  "contact",
  "figure",
  "quote",
  "label",
  "step",
  "stars",
  "link",
] as const;
export type WordsRole = (typeof WORDS_ROLES)[number];
