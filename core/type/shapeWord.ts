import { Buffer as ShapingBuffer, Direction, shape } from "harfbuzzjs";
import { type FaceFiles } from "./faces";
import { type FontBook, type OpenFont } from "./fontBook";
import { type Run, itemise } from "./itemise";

/** A glyph in its place. Lengths in em; x from the start of the piece, to the right. */
export interface PlacedGlyph {
  readonly font: OpenFont;
  readonly glyph: number;
  readonly x: number;
  readonly y: number;
}

/** The least part of a line that keeps together: glyphs of one direction, an emoji, or a blank. */
export interface Piece {
  readonly level: number;
  readonly advance: number;
  readonly glyphs: readonly PlacedGlyph[];
  readonly emoji: string | null;
  /** Whether it is of a word that is to stand out. */
  readonly isMarked?: boolean;
}

/** How far ink reaches above and below the baseline, in em. */
export interface InkReach {
  readonly above: number;
  readonly below: number;
}

export interface ShapedWord extends InkReach {
  readonly pieces: readonly Piece[];
  readonly advance: number;
  /** Letters that no shipped font has, shown as a box. */
  readonly missing: string;
}

/** An emoji stands on the line like a capital: this wide and high, and this far below the baseline. In em. */
export const EMOJI = { size: 1.1, below: 0.18, side: 0.04 } as const;
const MISSING_ADVANCE = 0.6;

/**
 * Shapes one word (no break opportunity inside) with HarfBuzz: kerning, ligatures, marks, joining letters.
 * @param tabular whether all figures are given the width of the widest, so that columns of prices stand in line
 */
export function shapeWord(
  text: string,
  levels: Uint8Array,
  stack: FaceFiles,
  book: FontBook,
  tabular = false,
): ShapedWord {
  const pieces: Piece[] = [];
  let missing = "";
  let above = 0;
  let below = 0;
  for (const run of itemise(text, levels, stack, book)) {
    if (run.kind === "emoji") {
      pieces.push({ level: run.level, advance: EMOJI.size + 2 * EMOJI.side, glyphs: [], emoji: run.code });
      above = Math.max(above, EMOJI.size - EMOJI.below);
      below = Math.max(below, EMOJI.below);
    } else if (run.kind === "missing") {
      missing += run.text;
      pieces.push({ level: run.level, advance: MISSING_ADVANCE, glyphs: [], emoji: null });
    } else {
      const piece = shapeRun(run, tabular);
      pieces.push(piece);
      for (const { font, glyph, y } of piece.glyphs) {
        const box = font.bounds(glyph);
        if (!box) continue;
        above = Math.max(above, -(box.y / font.unitsPerEm) - y);
        below = Math.max(below, (box.y + box.height) / font.unitsPerEm + y);
      }
    }
  }
  return { pieces, advance: pieces.reduce((sum, piece) => sum + piece.advance, 0), above, below, missing };
}

function shapeRun(run: Extract<Run, { kind: "letters" }>, tabular: boolean): Piece {
  const buffer = new ShapingBuffer();
  buffer.addText(run.text);
  buffer.guessSegmentProperties();
  buffer.setDirection(run.level % 2 === 1 ? Direction.RTL : Direction.LTR);
  shape(run.font.font, buffer);
  const infos = buffer.getGlyphInfos();
  const positions = buffer.getGlyphPositions();
  const em = run.font.unitsPerEm;
  const figure = tabular ? widestFigure(run.font) : null;
  let advance = 0;
  const glyphs = infos.map((info, index): PlacedGlyph => {
    const position = positions[index];
    const own = (position?.xAdvance ?? 0) / em;
    const cell = figure !== null && /^[0-9]$/.test(run.text.charAt(info.cluster)) ? figure : own;
    const placed = {
      font: run.font,
      glyph: info.codepoint,
      x: advance + (cell - own) / 2 + (position?.xOffset ?? 0) / em,
      y: -(position?.yOffset ?? 0) / em,
    };
    advance += cell;
    return placed;
  });
  return { level: run.level, advance, glyphs, emoji: null };
}

/** The advance of a font's widest figure from 0 to 9, in em. */
function widestFigure({ font, unitsPerEm }: OpenFont): number {
  return (
    Math.max(
      ...Array.from("0123456789").map((digit) => font.glyphHAdvance(font.nominalGlyph(digit.charCodeAt(0)) ?? 0)),
    ) / unitsPerEm
  );
}
