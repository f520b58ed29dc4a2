import { readFile } from "node:fs/promises";
import { createRequire } from "node:module";
import sharp from "sharp";
import { faceStack } from "../../core/type/faces";
import { fitWords } from "../../core/type/fit";
import { filesWanted } from "../../core/type/itemise";
import { shapedText } from "../../core/type/shapedTexts";
import { svgPath } from "../../core/type/svgPath";
import { emojiFile } from "../faces/emojiFiles";
import { faceCatalogue, openedBook } from "../faces/faceFiles";

const FAMILY = "Instrument Sans";
const WEIGHTS = { words: 400, heading: 700 } as const;
/** What the face of the page writes as text, which can be searched and copied: Latin letters, figures and signs. */
const WRITTEN = /^[\u0020-\u007e\u00a0-\u00ff\u2010-\u2026\u20ac£→−×]*$/u;
const MOST_LINES = 2;
const LEADING = 1.25;
/** Where there is more than fits, drawn words are set smaller, down to this share of their size. */
const LEAST_SHARE = 0.7;
/** Emoji are sharp on paper when they have so many pixels a point. */
const PIXELS_A_POINT = 4;

/** Words on a page, and where. Lengths in points, from the top left. */
export interface PageWords {
  readonly text: string;
  readonly face: keyof typeof WEIGHTS;
  readonly size: number;
  readonly ink: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

const require = createRequire(import.meta.url);
const fontFile = (weight: number): string =>
  require.resolve(`@fontsource/instrument-sans/files/instrument-sans-latin-${weight}-normal.woff`);

/** Brings the faces of pages into a document. */
export async function withPageFaces(pdf: PDFKit.PDFDocument): Promise<void> {
  for (const face of ["words", "heading"] as const) pdf.registerFont(face, await readFile(fontFile(WEIGHTS[face])));
}

/**
 * Writes words in at most two lines, in whatever script they are: what the face of the page lacks is drawn, as it is in
 * promotions. Gives where the next words may begin.
 */
export async function writeWords(pdf: PDFKit.PDFDocument, words: PageWords): Promise<number> {
  const { text, face, size, ink, x, y, width } = words;
  if (!WRITTEN.test(text)) return drawWords(pdf, words);
  const height = MOST_LINES * LEADING * size;
  pdf.font(face).fontSize(size).fillColor(ink).text(text, x, y, { width, height, ellipsis: true });
  return pdf.y;
}

async function drawWords(pdf: PDFKit.PDFDocument, { text, face, size, ink, x, y, width }: PageWords): Promise<number> {
  const choice = { family: FAMILY, weight: WEIGHTS[face] };
  const stack = faceStack(await faceCatalogue(), choice);
  const book = await openedBook((open) => filesWanted(text, stack, open));
  const rule = { smallest: size * LEAST_SHARE, largest: size, mostLines: MOST_LINES, leading: LEADING } as const;
  const height = MOST_LINES * LEADING * size * 1.2;
  const set = fitWords(
    shapedText(text, stack, book),
    { width, height },
    {
      ...rule,
      align: "start",
    },
  );
  // Whoever reads the page by ear, or copies from it, gets the words that were drawn.
  pdf.markContent("Span", { actual: text });
  for (const { outline, emoji } of set.lines) {
    pdf.save().translate(x, y).path(svgPath(outline)).fill(ink).restore();
    for (const { code, place } of emoji) {
      const picture = await readFile(await emojiFile(code, 0));
      pdf.image(
        await sharp(picture)
          .resize(Math.ceil(place.width * PIXELS_A_POINT))
          .png()
          .toBuffer(),
        x + place.x,
        y + place.y,
        place,
      );
    }
  }
  pdf.endMarkedContent();
  return y + set.height + (LEADING - 1) * size;
}
