import { type BrokenWord, type Paragraph } from "./paragraph";
import { type Piece } from "./shapeWord";

/** A line of pieces in logical order. Lengths in em. */
export interface Line {
  readonly pieces: readonly Piece[];
  /** How far it stands in from where lines begin. */
  readonly indent: number;
  /** With what it stands in, without the blank at its end. */
  readonly width: number;
}

const SLACK = 1e-9;

/** Fills lines one after another up to `width` (em). A word wider than that keeps a line of its own and sticks out. */
export const fillLines = (words: readonly BrokenWord[], width: number): Line[] =>
  linesFrom(words, fillStarts(words, width));

/** At which word each line starts when lines are filled one after another. */
function fillStarts(words: readonly BrokenWord[], width: number): number[] {
  const starts: number[] = [];
  let length = 0;
  words.forEach(({ shaped }, index) => {
    const before = words[index - 1];
    const isFirst = before === undefined || before.mustBreak;
    const longer = length + (before?.space?.advance ?? 0) + shaped.advance;
    const fits = !isFirst && (before.isLabel || longer <= width + SLACK);
    length = fits ? longer : hangOf(words, index) + shaped.advance;
    if (!fits) starts.push(index);
  });
  return starts;
}

/** How far a line stands in that begins with a word: what begins a paragraph does not. */
const hangOf = (words: readonly BrokenWord[], index: number): number =>
  words[index - 1]?.mustBreak === false ? (words[index]?.hang ?? 0) : 0;

const linesFrom = (words: readonly BrokenWord[], starts: readonly number[]): Line[] =>
  starts.map((start, line) => lineOf(words.slice(start, starts[line + 1]), hangOf(words, start)));

/** One line of words, with the blanks between them and none at its end. */
function lineOf(words: readonly BrokenWord[], indent: number): Line {
  const pieces = words.flatMap(({ shaped, space }, index) => [
    ...shaped.pieces,
    ...(space && index < words.length - 1 ? [space] : []),
  ]);
  return { pieces, indent, width: pieces.reduce((sum, piece) => sum + piece.advance, indent) };
}

/**
 * The same number of lines as `fillLines`, but as even as can be: the narrowest width that needs no further line. A word
 * that would stand alone in the last line of a paragraph gets the word before it for company, where there is room.
 */
export function balanceLines(words: readonly BrokenWord[], width: number): Line[] {
  const filled = fillStarts(words, width);
  if (filled.length < 2) return linesFrom(words, filled);
  let low = words.reduce((widest, word) => Math.max(widest, word.hang + word.shaped.advance), 0);
  let high = width;
  let best = filled;
  for (let step = 0; step < 24 && high - low > 1e-4; step++) {
    const middle = (low + high) / 2;
    const tried = fillStarts(words, middle);
    if (tried.length <= filled.length) {
      best = tried;
      high = middle;
    } else low = middle;
  }
  const lines = linesFrom(words, keepCompany(words, best, width));
  return lines.every((line) => line.width <= width + SLACK) ? lines : linesFrom(words, filled);
}

/** Moves the start of the last line one word back where its only word would stand alone and its neighbour can be spared. */
function keepCompany(words: readonly BrokenWord[], starts: readonly number[], width: number): readonly number[] {
  const [before, last] = starts.slice(-2);
  if (
    before === undefined ||
    last === undefined ||
    last !== words.length - 1 ||
    last - before < 3 ||
    words[last - 1]?.mustBreak ||
    words[last - 1]?.isLabel
  )
    return starts;
  const moved = [...starts.slice(0, -1), last - 1];
  return lineOf(words.slice(last - 1), hangOf(words, last - 1)).width <= width + SLACK ? moved : starts;
}

/** Cuts every word that is wider than `width` (em) between its letters, for words that have no other way to fit. */
export function splitWideWords(text: Paragraph, width: number): BrokenWord[] {
  return text.words.flatMap((word) => {
    if (word.shaped.advance <= width + SLACK) return [word];
    const bits = word.shaped.pieces.flatMap(cutPiece);
    return bits.map((piece, index): BrokenWord => {
      const last = index === bits.length - 1;
      const shaped = { ...word.shaped, pieces: [piece], advance: piece.advance };
      const isLabel = last && word.isLabel;
      return {
        text: "",
        shaped,
        space: last ? word.space : null,
        mustBreak: last && word.mustBreak,
        hang: word.hang,
        isLabel,
      };
    });
  });
}

/** A piece's glyphs one by one, in reading order. Marks (no advance of their own) stay with the glyph before them. */
function cutPiece(piece: Piece): Piece[] {
  const cells: { glyphs: Piece["glyphs"][number][]; start: number }[] = [];
  piece.glyphs.forEach((glyph, index) => {
    const last = cells.at(-1);
    const next = piece.glyphs[index + 1];
    const isMark = last !== undefined && next !== undefined && next.x - glyph.x < 1e-6;
    if (last && (isMark || glyph.x < last.start + 1e-6)) last.glyphs.push(glyph);
    else cells.push({ glyphs: [glyph], start: cells.length === 0 ? 0 : glyph.x });
  });
  if (cells.length < 2) return [piece];
  const cut = cells.map(({ glyphs, start }, index): Piece => {
    const end = cells[index + 1]?.start ?? piece.advance;
    return {
      ...piece,
      advance: end - start,
      glyphs: glyphs.map((glyph) => ({ ...glyph, x: glyph.x - start })),
      emoji: null,
    };
  });
  return piece.level % 2 === 1 ? cut.reverse() : cut;
}

/** Pieces in the order they stand from left to right: rule L2 of UAX #9, on pieces that each have one level. */
export function visualOrder(pieces: readonly Piece[]): Piece[] {
  const order = [...pieces];
  const highest = order.reduce((most, piece) => Math.max(most, piece.level), 0);
  for (let level = highest; level >= 1; level--) {
    let start = 0;
    while (start < order.length) {
      if ((order[start]?.level ?? 0) < level) {
        start++;
        continue;
      }
      let end = start;
      while (end < order.length && (order[end]?.level ?? 0) >= level) end++;
      order.splice(start, end - start, ...order.slice(start, end).reverse());
      start = end;
    }
  }
  return order;
}
