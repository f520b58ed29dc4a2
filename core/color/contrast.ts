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

export type ContrastVerdict = "AAA" | "AA" | "large only" | "too low";

/** What a contrast ratio is good for (WCAG 2.2, 1.4.3 and 1.4.6): large type needs 3, other type 4.5, AAA 7. */
export function contrastVerdict(ratio: number): ContrastVerdict {
  if (ratio >= 7) return "AAA";
  if (ratio >= 4.5) return "AA";
  return ratio >= 3 ? "large only" : "too low";
}
