import { type FaceCatalogue, type FaceFile, parseUnicodeRange } from "./faces";

/** A family that ships with the application, as its package describes it. */
export interface ShippedFamily {
  readonly family: string;
  /** Folder and file name stem of its package. */
  readonly stem: string;
  readonly weights: readonly number[];
  readonly look: FaceClass;
  /** A family that serves letters others lack, and is not offered for choosing. */
  readonly fallbackOnly?: true;
  /** Subsets to ship, in the order tried; all of them when absent. */
  readonly subsets?: readonly string[];
}

/** What a family looks like, for choosing among many. */
export const FACE_CLASSES = [
  "sans",
  "serif",
  "slab",
  "condensed",
  "hand",
  "mono",
  "Arabic",
  "Devanagari",
  "Japanese",
] as const;
export type FaceClass = (typeof FACE_CLASSES)[number];

const LATIN = ["latin", "latin-ext"];

export const SHIPPED_FAMILIES: readonly ShippedFamily[] = [
  {
    family: "Bricolage Grotesque",
    stem: "bricolage-grotesque",
    look: "sans",
    weights: [400, 700, 800],
    subsets: LATIN,
  },
  { family: "Instrument Sans", stem: "instrument-sans", look: "sans", weights: [400, 600, 700], subsets: LATIN },
  { family: "Lora", stem: "lora", look: "serif", weights: [400, 700], subsets: [...LATIN, "cyrillic"] },
  { family: "Young Serif", stem: "young-serif", look: "serif", weights: [400], subsets: LATIN },
  { family: "Zilla Slab", stem: "zilla-slab", look: "slab", weights: [400, 700], subsets: LATIN },
  { family: "Archivo Narrow", stem: "archivo-narrow", look: "condensed", weights: [400, 700], subsets: LATIN },
  { family: "Work Sans", stem: "work-sans", look: "sans", weights: [400, 700], subsets: LATIN },
  { family: "Lexend", stem: "lexend", look: "sans", weights: [400, 700], subsets: LATIN },
  { family: "Fraunces", stem: "fraunces", look: "serif", weights: [400, 700], subsets: LATIN },
  { family: "DM Serif Display", stem: "dm-serif-display", look: "serif", weights: [400], subsets: LATIN },
  { family: "Bitter", stem: "bitter", look: "slab", weights: [400, 700], subsets: [...LATIN, "cyrillic"] },
  { family: "Barlow Condensed", stem: "barlow-condensed", look: "condensed", weights: [400, 700], subsets: LATIN },
  { family: "Caveat", stem: "caveat", look: "hand", weights: [400, 700], subsets: [...LATIN, "cyrillic"] },
  { family: "Patrick Hand", stem: "patrick-hand", look: "hand", weights: [400], subsets: LATIN },
  { family: "Space Mono", stem: "space-mono", look: "mono", weights: [400, 700], subsets: LATIN },
  { family: "Amiri", stem: "amiri", look: "Arabic", weights: [400, 700], subsets: ["latin", "arabic"] },
  { family: "Cairo", stem: "cairo", look: "Arabic", weights: [400, 700], subsets: [...LATIN, "arabic"] },
  { family: "Mukta", stem: "mukta", look: "Devanagari", weights: [400, 700], subsets: [...LATIN, "devanagari"] },
  { family: "Kalam", stem: "kalam", look: "Devanagari", weights: [400, 700], subsets: [...LATIN, "devanagari"] },
  { family: "Zen Maru Gothic", stem: "zen-maru-gothic", look: "Japanese", weights: [400, 700] },
  { family: "Shippori Mincho", stem: "shippori-mincho", look: "Japanese", weights: [400, 700] },
  {
    family: "Noto Sans",
    stem: "noto-sans",
    look: "sans",
    weights: [400, 700],
    fallbackOnly: true,
    subsets: [...LATIN, "cyrillic", "greek", "vietnamese"],
  },
  {
    family: "Noto Sans Arabic",
    stem: "noto-sans-arabic",
    look: "Arabic",
    weights: [400, 700],
    fallbackOnly: true,
    subsets: ["arabic", "symbols", "math"],
  },
  {
    family: "Noto Sans Devanagari",
    stem: "noto-sans-devanagari",
    look: "Devanagari",
    weights: [400, 700],
    fallbackOnly: true,
    subsets: ["devanagari"],
  },
  { family: "Noto Sans JP", stem: "noto-sans-jp", look: "Japanese", weights: [400, 700], fallbackOnly: true },
];

/** The families a brand book offers, each with the weight used for headlines and for text. */
export const BRAND_FAMILIES = SHIPPED_FAMILIES.filter((family) => !family.fallbackOnly);

/** The weight a shipped family has for headlines, and for text; null when it does not ship. */
export const headlineWeight = (family: string): number | null => weightsOf(family).at(-1) ?? null;
export const textWeight = (family: string): number | null => weightsOf(family)[0] ?? null;
const weightsOf = (family: string): readonly number[] =>
  SHIPPED_FAMILIES.find((shipped) => shipped.family === family)?.weights ?? [];

/** Where a file lies in its package: `lora/latin/700` is `@fontsource/lora/files/lora-latin-700-normal.woff2`. */
export function packagePath(fileId: string): string {
  const found = /^([a-z0-9-]+)\/([a-z0-9-]+)\/(\d{3})$/.exec(fileId);
  const [, stem, subset, weight] = found ?? [];
  if (!stem || !SHIPPED_FAMILIES.some((family) => family.stem === stem))
    throw new RangeError(`There is no font file “${fileId}”.`);
  return `@fontsource/${stem}/files/${stem}-${subset}-${weight}-normal.woff2`;
}

/**
 * The catalogue of shipped faces.
 * @param ranges the `unicode.json` of each family's package, by stem: CSS unicode-range texts by subset
 * @param emoji codes for which a colour picture ships
 */
export function shippedCatalogue(
  ranges: Readonly<Record<string, Readonly<Record<string, string>>>>,
  emoji: readonly string[],
): FaceCatalogue {
  const faces: Record<string, FaceFile[]> = {};
  for (const { family, stem, weights, subsets } of SHIPPED_FAMILIES) {
    const found = ranges[stem] ?? {};
    // Packages of large scripts number their subsets as `[12]`; the file name has the bare number.
    const bySubset = new Map(
      Object.entries(found).map(([key, text]) => [key.replace(/[[\]]/g, ""), parseUnicodeRange(text)]),
    );
    for (const weight of weights)
      faces[`${family}/${weight}`] = (subsets ?? [...bySubset.keys()]).map((subset): FaceFile => {
        const range = bySubset.get(subset);
        if (!range) throw new Error(`The package of ${family} has no subset ${subset}.`);
        return { id: `${stem}/${subset}/${weight}`, ranges: range };
      });
  }
  return {
    faces,
    fallback: SHIPPED_FAMILIES.filter((family) => family.fallbackOnly).map((family) => family.family),
    emoji,
  };
}
