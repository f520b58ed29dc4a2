import { parseHex, toLinear } from "./srgb";

/** Relative luminance, 0 to 1 (WCAG 2.2). */
export function relativeLuminance(hex: string): number {
  const { r, g, b } = parseHex(hex);
  return 0.2126 * toLinear(r) + 0.7152 * toLinear(g) + 0.0722 * toLinear(b);
}

/** Contrast ratio of two colours, 1 to 21, in either order (WCAG 2.2, 1.4.3). */
export function contrastRatio(one: string, other: string): number {
  const [a, b] = [relativeLuminance(one), relativeLuminance(other)];
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** Contrast that words need, and that they need where more is asked (WCAG 2.2, 1.4.3 and 1.4.6). */
export const WANTED_CONTRAST = { large: 3, text: 4.5, enhanced: 7 } as const;

export type ContrastVerdict = "AAA" | "AA" | "large only" | "too low";

/** What a contrast ratio is good for. */
export function contrastVerdict(ratio: number): ContrastVerdict {
  if (ratio >= WANTED_CONTRAST.enhanced) return "AAA";
  if (ratio >= WANTED_CONTRAST.text) return "AA";
  return ratio >= WANTED_CONTRAST.large ? "large only" : "too low";
}
