import { splitGraphemes } from "unicode-segmenter/grapheme";

/** One font file and the code points it was cut for. Files are shared by browser and server under the same id. */
export interface FaceFile {
  /** `family/subset/weight`, for instance `lora/latin/700`. */
  readonly id: string;
  /** Inclusive code point ranges, first and last alternating. */
  readonly ranges: readonly number[];
}

/** A family at one weight: its files, tried in order. */
export type FaceFiles = readonly FaceFile[];

export interface FaceCatalogue {
  /** Files by family and weight, keyed `family/weight`. */
  readonly faces: Readonly<Record<string, FaceFiles>>;
  /** Families tried, in order, for letters that the chosen family lacks. */
  readonly fallback: readonly string[];
  /** Codes (`1f331`, `1f469-200d-1f33e`) for which a colour picture ships. */
  readonly emoji: readonly string[];
}

/** A typeface as chosen in a brand book. */
export interface FaceChoice {
  readonly family: string;
  readonly weight: number;
}

/** A face that a team brought itself: one file at one weight. */
export interface OwnFace extends FaceChoice {
  readonly file: FaceFile;
}

/** Reads a CSS `unicode-range` (`U+0000-00FF, U+131`) to a flat list of first and last code points. */
export function parseUnicodeRange(text: string): number[] {
  return text.split(",").flatMap((part) => {
    const found = /^U\+([0-9a-f]+)(?:-([0-9a-f]+))?$/i.exec(part.trim());
    if (!found?.[1]) throw new SyntaxError(`“${part.trim()}” is not a Unicode range.`);
    const first = Number.parseInt(found[1], 16);
    return [first, found[2] ? Number.parseInt(found[2], 16) : first];
  });
}

export function inRanges(ranges: readonly number[], codePoint: number): boolean {
  for (let index = 0; index < ranges.length; index += 2)
    if (codePoint >= (ranges[index] ?? 0) && codePoint <= (ranges[index + 1] ?? 0)) return true;
  return false;
}

/** The files to try for a chosen face: its own, then each fallback family's at the nearest weight that ships. */
export function faceStack(catalogue: FaceCatalogue, choice: FaceChoice, ownFaces: readonly OwnFace[] = []): FaceFiles {
  const brought = ownFaces
    .filter(({ family, weight }) => family === choice.family && weight === choice.weight)
    .map(({ file }) => file);
  const own = brought.length > 0 ? brought : catalogue.faces[`${choice.family}/${choice.weight}`];
  if (!own)
    throw new RangeError(`The typeface ${choice.family} in weight ${choice.weight} is not among the shipped ones.`);
  const others = catalogue.fallback.filter((family) => family !== choice.family);
  return [
    ...own,
    ...others.flatMap((family) => catalogue.faces[`${family}/${choice.weight >= 600 ? 700 : 400}`] ?? []),
  ];
}

export const graphemesOf = (text: string): string[] => [...splitGraphemes(text)];

/** Code points that only join, modify or select, and need no glyph of their own to choose a font by. */
export const isJoiner = (codePoint: number): boolean =>
  codePoint === 0x200c ||
  codePoint === 0x200d ||
  (codePoint >= 0xfe00 && codePoint <= 0xfe0f) ||
  (codePoint >= 0x2060 && codePoint <= 0x2064);

/** The colour picture for a grapheme, if it is an emoji that ships as one. */
export function emojiCode(grapheme: string, emoji: ReadonlySet<string>): string | null {
  if (!/\p{Extended_Pictographic}|\p{Regional_Indicator}|\u20e3/u.test(grapheme)) return null;
  const wantsColor = /\p{Emoji_Presentation}|\ufe0f|\u200d|\u20e3|\p{Emoji_Modifier}/u.test(grapheme);
  if (!wantsColor || grapheme.includes("\ufe0e")) return null;
  const full = Array.from(grapheme)
    .map((character) => (character.codePointAt(0) ?? 0).toString(16))
    .join("-");
  const bare = full.replace(/-fe0f/g, "");
  return [full, bare].find((code) => emoji.has(code)) ?? null;
}
