/** As long as an address may be. */
const MOST = 60;
const cut = (slug: string, most = MOST): string => slug.slice(0, most).replace(/-+$/, "");

/** The words of a text as they stand in addresses: Latin letters without marks, in lower case, and digits. */
const plainWords = (text: string): string[] =>
  text
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);

/** A name as an address: lower-case letters and digits joined by hyphens, at least two words, at most 60 characters. */
export function slugOf(name: string): string {
  const words = plainWords(name);
  const joined = words.slice(0, 8).join("-");
  return cut(words.length >= 2 ? joined : `promotion-${joined || "untitled"}`);
}

/** A title as the name that programs call a thing by, joined by hyphens, at most 60 characters; `other` where nothing is left of it. */
export const idOf = (title: string, other: string): string => cut(plainWords(title).join("-")) || other;

/** The slug, or the slug with the first free number behind it. */
export function freeSlug(slug: string, taken: ReadonlySet<string>): string {
  if (!taken.has(slug)) return slug;
  const numbered = (number: number): string => `${cut(slug, MOST - String(number).length - 1)}-${number}`;
  let number = 2;
  while (taken.has(numbered(number))) number++;
  return numbered(number);
}
