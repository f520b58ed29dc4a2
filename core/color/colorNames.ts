import { type DominantColor } from "./dominant";
import { toOklch } from "./oklch";
import { parseHex } from "./srgb";

/** The everyday colour words that media can be searched by. */
export const COLOR_WORDS = [
  "red",
  "orange",
  "yellow",
  "green",
  "blue",
  "purple",
  "pink",
  "brown",
  "black",
  "grey",
  "white",
] as const;
export type ColorWord = (typeof COLOR_WORDS)[number];

/** Upper end of each hue's stretch, in degrees of OKLCH. */
const HUES: readonly (readonly [number, ColorWord])[] = [
  [15, "pink"],
  [42, "red"],
  [75, "orange"],
  [112, "yellow"],
  [170, "green"],
  [265, "blue"],
  [325, "purple"],
  [350, "pink"],
  [360, "red"],
];

/** The everyday word for a colour (our own division of OKLCH). */
export function colorWord(hex: string): ColorWord {
  const { l, c, h } = toOklch(parseHex(hex));
  if (c < 0.035) return l < 0.3 ? "black" : l > 0.88 ? "white" : "grey";
  if (l < 0.2) return "black";
  const word = HUES.find(([end]) => h < end)?.[1] ?? "red";
  const dull = (word === "orange" || word === "yellow" || word === "red") && l < 0.58 && c < 0.125;
  if (dull) return "brown";
  return word === "red" && l > 0.72 ? "pink" : word;
}

/** A word counts for a picture when its colours fill at least this share. */
const LEAST_SHARE = 0.12;

/** The words a picture is found by. */
export function colorWords(colors: readonly DominantColor[]): ColorWord[] {
  const shares = new Map<ColorWord, number>();
  for (const { hex, share } of colors) shares.set(colorWord(hex), (shares.get(colorWord(hex)) ?? 0) + share);
  return [...shares]
    .filter(([, share]) => share >= LEAST_SHARE)
    .sort((a, b) => b[1] - a[1])
    .map(([word]) => word);
}
