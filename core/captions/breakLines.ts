/** As many characters as a line of captions has at most, and lines (common practice: 37 to 42, and two). */
export const MOST_IN_LINE = 40;
export const MOST_LINES = 2;
/** A last line shorter than this share of the one before looks lost. */
const LEAST_LAST = 0.35;

const letters = (text: string): number => Array.from(text.replaceAll("*", "")).length;

/** Where a text had better be broken: after what ends a sentence, then after a pause, never after a small word. */
const AFTER_SENTENCE = /[.!?…]["”»’)]*$/;
const AFTER_PAUSE = /[,;:–—]["”»’)]*$/;
const SMALL = /^(?:a|an|the|of|to|in|on|at|and|or|for|by|with|is|our|your|my)$/i;

function cost(before: readonly string[], after: readonly string[], wanted: number): number {
  const last = before.at(-1) ?? "";
  const ends = AFTER_SENTENCE.test(last) ? -14 : AFTER_PAUSE.test(last) ? -7 : 0;
  const small = SMALL.test(last) ? 9 : 0;
  const orphan = after.length === 1 && letters(after[0] ?? "") < wanted * LEAST_LAST ? 30 : 0;
  return Math.abs(letters(before.join(" ")) - wanted) + ends + small + orphan;
}

/** Breaks words into two where each fits and they read well; null where they fit in one. */
function broken(words: readonly string[], most: number): readonly [readonly string[], readonly string[]] | null {
  const whole = letters(words.join(" "));
  if (whole <= most || words.length < 2) return null;
  let best: readonly [readonly string[], readonly string[]] | null = null;
  let least = Infinity;
  for (let at = 1; at < words.length; at++) {
    const [before, after] = [words.slice(0, at), words.slice(at)];
    const over = Math.max(0, letters(before.join(" ")) - most) + Math.max(0, letters(after.join(" ")) - most);
    const price = cost(before, after, whole / 2) + over * 100;
    if (price < least) [best, least] = [[before, after], price];
  }
  return best;
}

/** A caption's words in one line or two, as evenly as they read well. Breaks that are there already are kept. */
export function inLines(text: string): string {
  if (text.includes("\n")) return text;
  const two = broken(text.split(/\s+/).filter(Boolean), MOST_IN_LINE);
  return two ? two.map((words) => words.join(" ")).join("\n") : text.trim();
}

/**
 * Cuts a long text into captions of at most two lines: at the ends of sentences first, then where a pause is, and so that
 * no word is left alone.
 */
export function inCaptions(text: string): string[] {
  const sentences =
    text
      .replaceAll(/\s+/g, " ")
      .trim()
      .match(/[^.!?…]+(?:[.!?…]+["”»’)]*|$)\s*/g) ?? [];
  return sentences
    .flatMap((sentence) => parts(sentence.trim().split(" ").filter(Boolean)))
    .map((words) => inLines(words.join(" ")));
}

function parts(words: readonly string[]): (readonly string[])[] {
  if (words.length === 0) return [];
  const most = MOST_IN_LINE * MOST_LINES;
  if (letters(words.join(" ")) <= most && fitsLines(words)) return [words];
  const count = Math.ceil(letters(words.join(" ")) / (most * 0.85));
  // Cut near the end of the first of as many even parts as are needed, then the rest.
  const wanted = letters(words.join(" ")) / Math.max(2, count);
  let best = 1;
  let least = Infinity;
  for (let at = 1; at < words.length; at++) {
    const before = words.slice(0, at);
    if (!fitsLines(before)) break;
    const price = cost(before, words.slice(at), wanted);
    if (price < least) [best, least] = [at, price];
  }
  return [words.slice(0, best), ...parts(words.slice(best))];
}

/** Whether words go into two lines. A word that is longer than a line by itself is let through. */
function fitsLines(words: readonly string[]): boolean {
  const two = broken(words, MOST_IN_LINE);
  return !two || two.every((line) => line.length === 1 || letters(line.join(" ")) <= MOST_IN_LINE);
}
