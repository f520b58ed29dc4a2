import { type TeamScope } from "../db/teamScope";
/** As long as an address may be. */
const MOST = 60;
const cut = (slug: string, most: number): string => slug.slice(0, most).replace(/-+$/, "");

/** A name as an address: lower-case letters and digits joined by hyphens, at least two words, at most 60 characters. */
export function slugOf(name: string): string {
  const words = name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);
  const joined = words.slice(0, 8).join("-");
  return cut(words.length >= 2 ? joined : `promotion-${joined || "untitled"}`, MOST);
}

/** The slug, or the slug with the first free number behind it. */
export function freeSlug(slug: string, taken: ReadonlySet<string>): string {
  if (!taken.has(slug)) return slug;
  const numbered = (number: number): string => `${cut(slug, MOST - String(number).length - 1)}-${number}`;
  let number = 2;
  while (taken.has(numbered(number))) number++;
  return numbered(number);
}

/**
 * The slugs that a team has given already. Until the end of the transaction nobody else gives one in the team, so that two
 * people who make something of one name at the same moment both get theirs.
 */
export async function takenSlugs(within: TeamScope, table: "promotion" | "template"): Promise<Set<string>> {
  await within.team().select("id").forNoKeyUpdate().execute();
  const rows = await within.select(table).select("slug").execute();
  return new Set(rows.map(({ slug }) => slug));
}
