import { Blob as FontBlob, Face, Font, Variation } from "harfbuzzjs";
import { type Rect } from "../geometry/rect";
import { type FaceCatalogue } from "./faces";
import { type Outline, STEP, outlineBounds } from "./outline";

/** A font file that is open. Lengths are in em: 1 is the type size. */
export interface OpenFont {
  readonly id: string;
  readonly font: Font;
  readonly unitsPerEm: number;
  readonly capHeight: number;
  readonly covers: ReadonlySet<number>;
  /** The shape of a glyph in font units, y down. */
  outline(glyph: number): Outline;
  /** The box around a glyph in font units, y down; null for blanks. */
  bounds(glyph: number): Rect | null;
}

/** The fonts that are open, by file id, and the catalogue they come from. */
export interface FontBook {
  readonly catalogue: FaceCatalogue;
  readonly emoji: ReadonlySet<string>;
  readonly open: Map<string, OpenFont>;
}

export const fontBook = (catalogue: FaceCatalogue): FontBook => ({
  catalogue,
  emoji: new Set(catalogue.emoji),
  open: new Map(),
});

/**
 * Opens a font file (TrueType or OpenType bytes, not WOFF2) and adds it to the book.
 * @param weight the weight a variable font is set to; others have the one they were cut in
 * Throws, naming the file, when the bytes are not a font.
 */
export function openFont(book: FontBook, id: string, bytes: Uint8Array, weight: number | null = null): OpenFont {
  const face = new Face(new FontBlob(bytes), 0);
  const covers = new Set(face.collectUnicodes());
  if (covers.size === 0) throw new SyntaxError(`The font file ${id} holds no letters: it is broken or not a font.`);
  const font = new Font(face);
  if (weight !== null && "wght" in face.getAxisInfos()) font.setVariations([new Variation("wght", weight)]);
  const outlines = new Map<number, Outline>();
  const boxes = new Map<number, Rect | null>();
  const outline = (glyph: number): Outline => remembered(outlines, glyph, () => readOutline(font, glyph));
  const opened: OpenFont = {
    id,
    font,
    unitsPerEm: face.upem,
    capHeight: readCapHeight(face) / face.upem,
    covers,
    outline,
    bounds: (glyph) => remembered(boxes, glyph, () => outlineBounds(outline(glyph))),
  };
  book.open.set(id, opened);
  return opened;
}

function remembered<Value>(known: Map<number, Value>, key: number, make: () => Value): Value {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make();
  known.set(key, made);
  return made;
}

function readOutline(font: Font, glyph: number): Outline {
  const outline: number[] = [];
  for (const { type, values } of font.glyphToJson(glyph)) {
    const step = { M: STEP.move, L: STEP.line, Q: STEP.quadratic, C: STEP.cubic, Z: STEP.close }[type];
    if (step === undefined) throw new RangeError(`Unknown outline command ${type}.`);
    outline.push(step, ...values.map((value, index) => (index % 2 === 1 ? -value : value)));
  }
  return outline;
}

/** sCapHeight of the OS/2 table (OpenType 1.9, version 2 and above); 0.7 em where a font does not say. */
function readCapHeight(face: Face): number {
  const table = face.referenceTable("OS/2");
  const fallback = 0.7 * face.upem;
  if (!table || table.length < 90) return fallback;
  const height = new DataView(table.buffer, table.byteOffset).getInt16(88);
  return height > 0 ? height : fallback;
}
