import LineBreaker from "linebreak";
import { readEmphasis } from "./emphasis";
import { type FaceFiles, graphemesOf } from "./faces";
import { type FontBook } from "./fontBook";
import { bidiLevels } from "./itemise";
import { type InkReach, type Piece, type ShapedWord, shapeWord } from "./shapeWord";

/** What stands between two break opportunities (UAX #14): a word, the blank after it, and whether the line must end there. */
export interface BrokenWord {
  readonly text: string;
  readonly shaped: ShapedWord;
  readonly space: Piece | null;
  readonly mustBreak: boolean;
  /** How far a line that begins with it stands in, where it goes on what was begun beside a number or a mark. */
  readonly hang: number;
  /** Whether it is a number or a mark, which keeps what follows it in its line. */
  readonly isLabel: boolean;
}

/** A text cut into words and shaped once. Lengths are in em, so it can be set at any size without shaping again. */
export interface Paragraph extends InkReach {
  readonly words: readonly BrokenWord[];
  /** 0 when the text reads from the left, 1 from the right. */
  readonly base: number;
  readonly capHeight: number;
  readonly missing: string;
}

export interface TextBreak {
  readonly text: string;
  readonly start: number;
  readonly mustBreak: boolean;
}

/** The stretches of a text between its line break opportunities, by the Unicode line breaking algorithm (UAX #14). */
export function textBreaks(text: string): TextBreak[] {
  const breaker = new LineBreaker(text);
  const breaks: TextBreak[] = [];
  let start = 0;
  for (let found = breaker.nextBreak(); found; found = breaker.nextBreak()) {
    breaks.push({
      text: text.slice(start, found.position),
      start,
      mustBreak: found.required && found.position < text.length,
    });
    start = found.position;
  }
  return breaks;
}

/**
 * Prepares a text for setting in lines. Every font file it needs must be open (see filesWanted). A word of which anything is
 * marked stands out whole: letters that join are never torn apart.
 */
export function paragraph(written: string, stack: FaceFiles, book: FontBook, tabular = false): Paragraph {
  const { text, marks } = readEmphasis(written);
  const { levels, base } = bidiLevels(text);
  const broken = textBreaks(text).map(({ text: stretch, start, mustBreak }): BrokenWord => {
    const word = stretch.replace(/\s+$/u, "");
    const blank = stretch.slice(word.length).replace(/[\r\n\u2028\u2029\u0085\u000b\u000c]/gu, "");
    const end = start + word.length;
    const plain = shapeWord(word, levels.slice(start, end), stack, book, tabular);
    const isMarked = marks.some((mark) => mark.start < end && start < mark.end);
    const shaped = isMarked ? { ...plain, pieces: plain.pieces.map((piece) => ({ ...piece, isMarked })) } : plain;
    const space = blank === "" ? null : blankPiece(blank, levels[end] ?? base, stack, book);
    return { text: word, shaped, space, mustBreak, hang: 0, isLabel: blank.includes(TAB) };
  });
  const words = withHanging(broken);
  const reach = (side: keyof InkReach): number => words.reduce((most, word) => Math.max(most, word.shaped[side]), 0);
  const first = book.open.get(stack[0]?.id ?? "");
  return {
    words,
    base: base % 2,
    capHeight: first?.capHeight ?? 0.7,
    above: reach("above"),
    below: reach("below"),
    missing: words.map((word) => word.shaped.missing).join(""),
  };
}

/** What stands before it in a paragraph is a number or a mark, and what stands after it hangs beside that. */
const TAB = "\t";

/** Has all that follows a label stand in as far as the widest label reaches. */
function withHanging(words: readonly BrokenWord[]): readonly BrokenWord[] {
  if (!words.some(({ isLabel }) => isLabel)) return words;
  const labels = words.filter(({ isLabel }) => isLabel);
  const stop = Math.max(...labels.map(({ shaped, space }) => shaped.advance + (space?.advance ?? 0)));
  let hang = 0;
  return words.map((word, index) => {
    if (words[index - 1]?.mustBreak) hang = 0;
    const space = word.isLabel && word.space ? { ...word.space, advance: stop - word.shaped.advance } : word.space;
    const hung = { ...word, space, hang };
    if (word.isLabel) hang = stop;
    return hung;
  });
}

function blankPiece(blank: string, level: number, stack: FaceFiles, book: FontBook): Piece {
  const font = book.open.get(stack[0]?.id ?? "");
  const one = font ? font.font.glyphHAdvance(font.font.nominalGlyph(0x20) ?? 0) / font.unitsPerEm : 0.25;
  return { level, advance: one * graphemesOf(blank).length, glyphs: [], emoji: null };
}
