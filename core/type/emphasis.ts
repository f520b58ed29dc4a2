/** From a start to an end: of a text in UTF-16 code units, on a line in design units. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
}

/** Words without the marks of emphasis, and which of them were marked. */
export interface MarkedText {
  readonly text: string;
  readonly marks: readonly Stretch[];
}

/**
 * Between two asterisks, as emphasis is written in CommonMark 0.31 (section 6.2): the first opens before something that is no
 * blank, the last closes after it, and neither stands inside a word or number, so that “5*4” stays as it is.
 */
const MARKED = /(?<![\p{L}\p{N}*])\*(?=[^\s*])([^*\n]*[^\s*])\*(?![\p{L}\p{N}*])/gu;

/** Reads which words of a text are to stand out. */
export function readEmphasis(written: string): MarkedText {
  if (!written.includes("*")) return { text: written, marks: [] };
  const marks: Stretch[] = [];
  const text = written.replace(MARKED, (_, inside: string, at: number) => {
    // Two asterisks went with each mark before.
    const start = at - 2 * marks.length;
    marks.push({ start, end: start + inside.length });
    return inside;
  });
  return { text, marks };
}

/** Words as they are read, without the marks of emphasis. */
export const plainWords = (written: string): string => readEmphasis(written).text;

/** Puts the marks of emphasis round a stretch, or takes off those that are there. */
export function toggledEmphasis(written: string, { start, end }: Stretch): string {
  const [before, inside, after] = [written.slice(0, start), written.slice(start, end), written.slice(end)];
  const bare = inside.trim();
  if (bare === "") return written;
  if (before.endsWith("*") && after.startsWith("*")) return before.slice(0, -1) + inside + after.slice(1);
  if (bare.length > 2 && bare.startsWith("*") && bare.endsWith("*"))
    return before + inside.replace(bare, () => bare.slice(1, -1)) + after;
  // No mark goes across lines or other marks.
  const marked = bare
    .replaceAll("*", "")
    .split("\n")
    .map((line) => (line.trim() === "" ? line : line.replace(line.trim(), () => `*${line.trim()}*`)));
  return before + inside.replace(bare, () => marked.join("\n")) + after;
}
