/** A name as an address: lower-case letters and digits joined by hyphens, at least two words. */
export function slugOf(name: string): string {
  const words = name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);
  const joined = words.slice(0, 8).join("-").slice(0, 60).replace(/-+$/, "");
  return words.length >= 2 ? joined : `promotion-${joined || "untitled"}`;
}

/** The slug, or the slug with the first free number behind it. */
export function freeSlug(slug: string, taken: ReadonlySet<string>): string {
  if (!taken.has(slug)) return slug;
  let number = 2;
  while (taken.has(`${slug}-${number}`)) number++;
  return `${slug}-${number}`;
}
