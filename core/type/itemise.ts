import bidiFactory from "bidi-js";
import { type FaceFiles, emojiCode, graphemesOf, inRanges, isJoiner } from "./faces";
import { type FontBook, type OpenFont } from "./fontBook";

/** A stretch of text set in one font and one direction, or one emoji picture, or letters no font has. */
export type Run =
  | { readonly kind: "letters"; readonly text: string; readonly level: number; readonly font: OpenFont }
  | { readonly kind: "emoji"; readonly text: string; readonly level: number; readonly code: string }
  | { readonly kind: "missing"; readonly text: string; readonly level: number };

const bidi = bidiFactory();

/** Embedding levels of each UTF-16 unit by UAX #9; odd is right to left. The base direction is that of the first strong letter. */
export function bidiLevels(text: string): { readonly levels: Uint8Array; readonly base: number } {
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text);
  return { levels, base: paragraphs[0]?.level ?? 0 };
}

/** Ids of the files that must be opened before `text` can be itemised with this stack. Empty when all are there. */
export const filesWanted = (text: string, stack: FaceFiles, book: FontBook): string[] =>
  filesWantedBy(new Set(graphemesOf(text)), stack, book);

/** The same for many texts, by all that is written in them. */
export function filesWantedBy(graphemes: ReadonlySet<string>, stack: FaceFiles, book: FontBook): string[] {
  const wanted = new Set<string>();
  for (const grapheme of graphemes) {
    if (emojiCode(grapheme, book.emoji)) continue;
    const file = fileFor(grapheme, stack, book);
    if (file && !book.open.has(file)) wanted.add(file);
  }
  // The first file sets the measures of a line even where it gives no letter.
  const first = stack[0]?.id;
  if (first && !book.open.has(first)) wanted.add(first);
  return [...wanted];
}

/** Cuts a text into runs, in logical order. `levels` are those of the text's own units. Throws when a file is not open. */
export function itemise(text: string, levels: Uint8Array, stack: FaceFiles, book: FontBook): Run[] {
  const runs: Run[] = [];
  let at = 0;
  for (const grapheme of graphemesOf(text)) {
    const level = levels[at] ?? 0;
    at += grapheme.length;
    const code = emojiCode(grapheme, book.emoji);
    if (code) {
      runs.push({ kind: "emoji", text: grapheme, level, code });
      continue;
    }
    const file = fileFor(grapheme, stack, book);
    const font = file === null ? null : book.open.get(file);
    if (font === undefined) throw new Error(`The font file ${file} must be opened before it is used.`);
    const last = runs.at(-1);
    if (font === null) runs.push({ kind: "missing", text: grapheme, level });
    else if (last?.kind === "letters" && last.font === font && last.level === level)
      runs[runs.length - 1] = { ...last, text: last.text + grapheme };
    else runs.push({ kind: "letters", text: grapheme, level, font });
  }
  return runs;
}

/** The first file that has every letter of a grapheme, by its declared ranges and, once open, by what it really holds. */
function fileFor(grapheme: string, stack: FaceFiles, book: FontBook): string | null {
  const points = Array.from(grapheme)
    .map((character) => character.codePointAt(0) ?? 0)
    .filter((point) => !isJoiner(point));
  const file = stack.find(({ id, ranges }) => {
    const open = book.open.get(id);
    return points.every((point) => inRanges(ranges, point) && (!open || open.covers.has(point)));
  });
  return file?.id ?? null;
}
