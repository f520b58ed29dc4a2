const MOST_CHARACTERS = 2_000_000;
/** Repetitions as drawn: a part repeated in a part that is repeated counts each time. */
const MOST_USES = 500;
const LONGEST_VIEW = 100_000;

/**
 * Why an SVG is not taken, or null. It is only ever turned to pixels and never sent to a browser as it is; even so,
 * anything active or from outside is refused, so that nothing is fetched and nothing is silently left out.
 */
export function svgProblem(text: string): string | null {
  if (text.length > MOST_CHARACTERS)
    return `is ${Math.round(text.length / 1e6)} MB of SVG; the limit is ${MOST_CHARACTERS / 1e6} MB.`;
  if (/<!ENTITY/i.test(text)) return "defines entities, which are not allowed.";
  if (/<(?:[\w-]+:)?script[\s>/]/i.test(text)) return "contains a script, which is not allowed.";
  if (/<(?:[\w-]+:)?foreignObject[\s>/]/i.test(text)) return "contains foreign content, which is not allowed.";
  if (/\son\w+\s*=/i.test(text)) return "contains event handlers, which are not allowed.";
  const references = [...text.matchAll(/(?:href|src)\s*=\s*["']\s*([^"']*)/gi)].map((found) => found[1] ?? "");
  const styled = [...text.matchAll(/url\(\s*["']?\s*([^"')]*)/gi)].map((found) => found[1] ?? "");
  const outside = [...references, ...styled].find(
    (target) => !target.startsWith("#") && !/^data:image\/(png|jpeg|webp);base64,/i.test(target),
  );
  if (outside !== undefined || /@import/i.test(text))
    return "refers to something outside of itself, which is never fetched.";
  if (drawnUses(text) > MOST_USES) return "repeats its parts too many times.";
  const view = /viewBox\s*=\s*["']([^"']*)/i
    .exec(text)?.[1]
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  if (view && view.some((number) => !Number.isFinite(number) || Math.abs(number) > LONGEST_VIEW))
    return "is drawn on a view that is too large.";
  return null;
}

/** How many times parts are drawn by `use`, all levels multiplied out; Infinity when parts repeat themselves. */
export function drawnUses(text: string): number {
  const inside = new Map<string, string[]>([["", []]]);
  const open: string[] = [""];
  for (const [, closing, name = "", attributes = "", empty] of text.matchAll(
    /<(\/)?([\w:-]+)((?:[^>"']|"[^"]*"|'[^']*')*?)(\/)?>/g,
  )) {
    if (closing) {
      if (open.length > 1) open.pop();
      continue;
    }
    const id = /\sid\s*=\s*["']([^"']*)/.exec(attributes)?.[1] ?? "";
    if (id !== "" && !inside.has(id)) inside.set(id, []);
    if (/^(?:[\w-]+:)?use$/i.test(name)) {
      const target = /href\s*=\s*["']\s*#([^"']*)/i.exec(attributes)?.[1] ?? "";
      const holders = [...open, id].filter((one) => one !== "");
      for (const holder of holders.length > 0 ? new Set(holders) : [""]) inside.get(holder)?.push(target);
    }
    if (!empty) open.push(id);
  }
  const known = new Map<string, number>();
  const count = (id: string, path: ReadonlySet<string>): number => {
    if (path.has(id)) return Infinity;
    const before = known.get(id);
    if (before !== undefined) return before;
    const below = new Set([...path, id]);
    const total = (inside.get(id) ?? []).reduce((sum, target) => sum + 1 + count(target, below), 0);
    known.set(id, total);
    return total;
  };
  return [...inside.keys()].reduce((most, id) => Math.max(most, count(id, new Set())), 0);
}
