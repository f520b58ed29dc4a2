const MOST_CHARACTERS = 2_000_000;
const MOST_USES = 500;
const LONGEST_VIEW = 100_000;

/**
 * Why an SVG is not taken, or null. It is only ever turned to pixels and never sent to a browser as it is; even so,
 * anything active or from outside is refused, so that nothing is fetched and nothing is silently left out.
 */
export function svgProblem(text: string): string | null {
  if (text.length > MOST_CHARACTERS) return `is ${Math.round(text.length / 1e6)} MB of SVG; the limit is ${MOST_CHARACTERS / 1e6} MB.`;
  if (/<!ENTITY/i.test(text)) return "defines entities, which are not allowed.";
  if (/<(?:[\w-]+:)?script[\s>/]/i.test(text)) return "contains a script, which is not allowed.";
  if (/<(?:[\w-]+:)?foreignObject[\s>/]/i.test(text)) return "contains foreign content, which is not allowed.";
  if (/\son\w+\s*=/i.test(text)) return "contains event handlers, which are not allowed.";
  const references = [...text.matchAll(/(?:href|src)\s*=\s*["']\s*([^"']*)/gi)].map((found) => found[1] ?? "");
  const styled = [...text.matchAll(/url\(\s*["']?\s*([^"')]*)/gi)].map((found) => found[1] ?? "");
  const outside = [...references, ...styled].find((target) => !target.startsWith("#") && !/^data:image\/(png|jpeg|webp);base64,/i.test(target));
  if (outside !== undefined || /@import/i.test(text)) return "refers to something outside of itself, which is never fetched.";
  if ((text.match(/<(?:[\w-]+:)?use[\s>/]/gi) ?? []).length > MOST_USES) return "repeats its parts too many times.";
  const view = /viewBox\s*=\s*["']([^"']*)/i.exec(text)?.[1]?.trim().split(/[\s,]+/).map(Number);
  if (view && view.some((number) => !Number.isFinite(number) || Math.abs(number) > LONGEST_VIEW)) return "is drawn on a view that is too large.";
  return null;
}
