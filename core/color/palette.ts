import { contrastRatio } from "./contrast";

/** The roles a brand's colours have. */
export const COLOR_ROLES = ["ground", "card", "ink", "primary", "accent", "sale"] as const;
export type ColorRole = (typeof COLOR_ROLES)[number];
export const isColorRole = (color: string): color is ColorRole => COLOR_ROLES.some((role) => role === color);
export type Palette = Readonly<Record<ColorRole, string>>;

const BLACK = "#000000";
const WHITE = "#ffffff";

/**
 * The ink for words on a ground: the first of the wanted colours that reaches the wanted contrast, else the brand's own
 * colour with the most contrast if that reaches it, else plain black or white, of which one always reaches 4.5.
 */
export function inkFor(
  ground: string,
  palette: Palette,
  wanted: readonly ColorRole[] = ["ink", "card", "ground"],
  least = 4.5,
): string {
  const byWish = wanted.map((role) => palette[role]).find((color) => contrastRatio(color, ground) >= least);
  if (byWish) return byWish;
  const best = (colors: readonly string[]): string =>
    colors.reduce((most, color) => (contrastRatio(color, ground) > contrastRatio(most, ground) ? color : most));
  const own = best(COLOR_ROLES.map((role) => palette[role]));
  return contrastRatio(own, ground) >= least ? own : best([BLACK, WHITE]);
}
