import { type Align } from "../geometry/column";
import { type Rect, type Size, rect } from "../geometry/rect";
import { type Stretch } from "./emphasis";
import { type Line, balanceLines, fillLines, splitWideWords, visualOrder } from "./lines";
import { type Outline, appendPlaced } from "./outline";
import { type Paragraph } from "./paragraph";
import { EMOJI } from "./shapeWord";

/** How words may be set. Sizes are in design units (the height of an em). */
export interface FitRule {
  readonly smallest: number;
  readonly largest: number;
  readonly mostLines: number;
  /** Distance of baselines as a share of the size, for letters that reach no further than usual. */
  readonly leading: number;
  /** `start` is left for text that reads from the left, right for text that reads from the right. */
  readonly align: Align;
}

export interface PlacedEmoji {
  readonly code: string;
  readonly place: Rect;
}

/** A letter, or what is drawn as one: which part of its line's outlines it is, and where. */
export interface DrawnLetter {
  /** Counted in the line from 0. */
  readonly word: number;
  readonly part: "outline" | "marked" | "emoji";
  /** In the numbers of the outline; an emoji by its place among the line's. */
  readonly from: number;
  readonly to: number;
  readonly x: number;
}

/** A line set at its size. Coordinates are design units from the top left of the block. */
export interface SetLine {
  readonly outline: Outline;
  /** Of the words that stand out, and where each of them is on the line. */
  readonly marked: Outline;
  readonly stretches: readonly Stretch[];
  readonly emoji: readonly PlacedEmoji[];
  /** Its letters in the order in which they are read, each with the word that it is of. */
  readonly letters: readonly DrawnLetter[];
  readonly x: number;
  readonly baseline: number;
  readonly width: number;
}

export interface FittedWords extends Size {
  readonly size: number;
  /** From the top of the block to the top of its first capitals, and from the last baseline to its foot: for optical centring. */
  readonly overCapitals: number;
  readonly underBaseline: number;
  /** False when even the smallest allowed size does not fit; the words are then set smaller, so that nothing is lost. */
  readonly fits: boolean;
  readonly lines: readonly SetLine[];
  /** Letters no shipped font has. */
  readonly missing: string;
}

/** Each size is about this share of the one above it. */
const SCALE = 0.88;

/**
 * The sizes a role may be set in, largest first: one scale for all scenes of a format, so that the same role has the same
 * size wherever its words have room, and the next step of the scale, not any size, where they have not.
 * `sizeScale(60, 100)` is 100, 88, 77, 68, 60.
 */
export function sizeScale(smallest: number, largest: number): number[] {
  const steps = Math.max(1, Math.round(Math.log(smallest / largest) / Math.log(SCALE)));
  const sizes = Array.from({ length: steps + 1 }, (_, step) =>
    Math.round(largest * (smallest / largest) ** (step / steps)),
  );
  return [...new Set(sizes)];
}

/**
 * Sets words as large as they fit in a box: the largest size of the role's scale with at most `mostLines` lines, lines
 * then balanced. Where even the smallest size does not fit, words are cut between letters and set smaller.
 * Longer words never come out larger.
 */
export function fitWords(text: Paragraph, box: Size, rule: FitRule): FittedWords {
  if (!(box.width > 0 && box.height > 0)) throw new RangeError("Words need a box with a width and a height above 0.");
  if (text.words.length === 0)
    return {
      width: 0,
      height: 0,
      size: rule.largest,
      overCapitals: 0,
      underBaseline: 0,
      fits: true,
      lines: [],
      missing: "",
    };
  const allowed = (size: number): boolean => {
    const lines = fillLines(text.words, box.width / size);
    return lines.length <= rule.mostLines && fitsBox(lines, text, rule, size, box);
  };
  const sizes = sizeScale(rule.smallest, rule.largest).reverse();
  const size = sizes[largestTrue(sizes.length - 1, (index) => allowed(sizes[index] ?? 0))];
  if (size !== undefined) return setLines(balanceLines(text.words, box.width / size), text, rule, size, box, true);
  const cut = (size: number): Line[] => fillLines(splitWideWords(text, box.width / size), box.width / size);
  const emergency = largestTrue(rule.smallest * 4, (index) =>
    fitsBox(cut((index + 1) / 4), text, rule, (index + 1) / 4, box),
  );
  const emergencySize = Math.min(rule.smallest, (Math.max(0, emergency) + 1) / 4);
  return setLines(cut(emergencySize), text, rule, emergencySize, box, false);
}

/** The largest index from 0 to `last` for which a test that turns from true to false once is true; -1 for none. */
function largestTrue(last: number, test: (index: number) => boolean): number {
  let low = -1;
  let high = last + 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (test(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Above the first baseline, between baselines, and below the last, in em. */
function measures(text: Paragraph, rule: FitRule): { above: number; pitch: number; below: number } {
  const above = Math.max(text.capHeight, text.above);
  const below = Math.max(0.02, text.below);
  return { above, below, pitch: Math.max(rule.leading, (above + below) * 0.96) };
}

function blockHeight(lines: number, text: Paragraph, rule: FitRule): number {
  const { above, pitch, below } = measures(text, rule);
  return above + (lines - 1) * pitch + below;
}

function fitsBox(lines: readonly Line[], text: Paragraph, rule: FitRule, size: number, box: Size): boolean {
  return (
    lines.every((line) => line.width * size <= box.width + 1e-6) &&
    blockHeight(lines.length, text, rule) * size <= box.height + 1e-6
  );
}

function setLines(
  lines: readonly Line[],
  text: Paragraph,
  rule: FitRule,
  size: number,
  box: Size,
  fits: boolean,
): FittedWords {
  const { above, pitch } = measures(text, rule);
  const width = lines.reduce((widest, line) => Math.max(widest, line.width), 0) * size;
  const set = lines.map((line, index): SetLine => {
    const lineWidth = line.width * size;
    const free = width - lineWidth;
    const x = lineStart(free, text, rule);
    const baseline = (above + index * pitch) * size;
    // Read from the right, a line stands in from its right.
    const drawn = drawLine(line, size, text.base === 1 ? x : x + line.indent * size, baseline);
    // Read from the right, the first letter is the last that was drawn.
    const letters = text.base === 1 ? drawn.letters.toReversed() : drawn.letters;
    return { ...drawn, letters, x, baseline, width: lineWidth };
  });
  const height = Math.min(box.height, blockHeight(lines.length, text, rule) * size);
  const overCapitals = (above - text.capHeight) * size;
  const underBaseline = Math.max(0, height - (above + (lines.length - 1) * pitch) * size);
  return {
    width: Math.min(width, box.width),
    height,
    size,
    overCapitals,
    underBaseline,
    fits,
    lines: set,
    missing: text.missing,
  };
}

/** Where a line begins that leaves so much free. Numbers stand below one another, whatever is in the middle otherwise. */
function lineStart(free: number, { words, base }: Paragraph, { align }: FitRule): number {
  if (align === "centre" && !words.some(({ isLabel }) => isLabel)) return free / 2;
  return (align === "end") !== (base === 1) ? free : 0;
}

function drawLine(
  line: Line,
  size: number,
  x: number,
  baseline: number,
): Pick<SetLine, "outline" | "marked" | "stretches" | "emoji" | "letters"> {
  const outline: number[] = [];
  const marked: number[] = [];
  const stretches: Stretch[] = [];
  const emoji: PlacedEmoji[] = [];
  const letters: DrawnLetter[] = [];
  let pen = x;
  let word = 0;
  for (const piece of visualOrder(line.pieces)) {
    // A blank is between two words.
    if (piece.emoji === null && !piece.glyphs.some(({ font, glyph }) => font.outline(glyph).length > 0)) word++;
    for (const { font, glyph, x: dx, y: dy } of piece.glyphs) {
      const scale = size / font.unitsPerEm;
      const part = piece.isMarked ? "marked" : "outline";
      const into = piece.isMarked ? marked : outline;
      const from = into.length;
      appendPlaced(into, font.outline(glyph), scale, scale, pen + dx * size, baseline + dy * size);
      if (into.length > from) letters.push({ word, part, from, to: into.length, x: pen + dx * size });
    }
    if (piece.emoji) {
      letters.push({ word, part: "emoji", from: emoji.length, to: emoji.length + 1, x: pen });
      const side = EMOJI.size * size;
      emoji.push({
        code: piece.emoji,
        place: rect(pen + EMOJI.side * size, baseline + EMOJI.below * size - side, side, side),
      });
    }
    if (piece.isMarked) stretches.push({ start: pen, end: pen + piece.advance * size });
    pen += piece.advance * size;
  }
  return { outline, marked, stretches, emoji, letters };
}
