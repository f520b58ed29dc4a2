/**
 * A path of our own, to go to after something is done; any other address becomes the bench. What a browser makes of a path
 * counts, not how it is written: it takes a backslash for a slash, and leaves tabs out.
 */
export function ownPath(wanted: unknown, otherwise = "/"): string {
  const here = "http://here.invalid";
  if (typeof wanted !== "string" || !wanted.startsWith("/") || !URL.canParse(wanted, here)) return otherwise;
  const { origin, pathname, search } = new URL(wanted, here);
  return origin === here && !pathname.startsWith("//") ? pathname + search : otherwise;
}
