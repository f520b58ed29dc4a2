import { type BrokenWord, type Paragraph } from "./paragraph";
import { type Piece } from "./shapeWord";

/** A line of pieces in logical order. Width in em, without the blank at its end. */
export interface Line {
  readonly pieces: readonly Piece[];
  readonly width: number;
}

const SLACK = 1e-9;

/** Fills lines one after another up to `width` (em). A word wider than that keeps a line of its own and sticks out. */
export function fillLines(words: readonly BrokenWord[], width: number): Line[] {
  const lines: Line[] = [];
  let pieces: Piece[] = [];
  let length = 0;
  let pending: Piece | null = null;
  const endLine = (): void => {
    lines.push({ pieces, width: length });
    pieces = [];
    length = 0;
    pending = null;
  };
  for (const { shaped, space, mustBreak } of words) {
    const gap: number = pending === null ? 0 : (pending as Piece).advance;
    if (pieces.length > 0 && length + gap + shaped.advance > width + SLACK) endLine();
    if (pending !== null) {
      pieces.push(pending);
      length += (pending as Piece).advance;
    }
    pieces.push(...shaped.pieces);
    length += shaped.advance;
    pending = space;
    if (mustBreak) endLine();
  }
  if (pieces.length > 0) lines.push({ pieces, width: length });
  return lines;
}

/**
 * The same number of lines as `fillLines`, but as even as can be: the narrowest width that needs no further line.
 * This also keeps a single short word from standing alone in the last line where that can be avoided.
 */
export function balanceLines(words: readonly BrokenWord[], width: number): Line[] {
  const filled = fillLines(words, width);
  if (filled.length < 2) return filled;
  let low = words.reduce((widest, word) => Math.max(widest, word.shaped.advance), 0);
  let high = width;
  let best = filled;
  for (let step = 0; step < 24 && high - low > 1e-4; step++) {
    const middle = (low + high) / 2;
    const tried = fillLines(words, middle);
    if (tried.length <= filled.length) {
      best = tried;
      high = middle;
    } else low = middle;
  }
  return best.every((line) => line.width <= width + SLACK) ? best : filled;
}

/** Cuts every word that is wider than `width` (em) between its letters, for words that have no other way to fit. */
export function splitWideWords(text: Paragraph, width: number): BrokenWord[] {
  return text.words.flatMap((word) => {
    if (word.shaped.advance <= width + SLACK) return [word];
    const bits = word.shaped.pieces.flatMap(cutPiece);
    return bits.map((piece, index): BrokenWord => {
      const last = index === bits.length - 1;
      const shaped = { ...word.shaped, pieces: [piece], advance: piece.advance };
      return { text: "", shaped, space: last ? word.space : null, mustBreak: last && word.mustBreak };
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
    return { level: piece.level, advance: end - start, glyphs: glyphs.map((glyph) => ({ ...glyph, x: glyph.x - start })), emoji: null };
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
