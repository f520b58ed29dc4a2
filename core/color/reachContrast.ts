import { contrastRatio } from "./contrast";
import { fromOklch, toOklch } from "./oklch";
import { parseHex, toHex, type Rgb } from "./srgb";

const STEPS = 24;

/**
 * The colour nearest to one, of the same hue, that reaches a contrast with another: OKLCH lightness is moved away from the
 * ground, first in the direction it already lies, then in the other; chroma gives way only where sRGB ends. Null when
 * neither black nor white reaches it.
 */
export function reachContrast(hex: string, ground: string, wanted: number): string | null {
  if (contrastRatio(hex, ground) >= wanted) return hex;
  const start = toOklch(parseHex(hex));
  const towards = start.l >= toOklch(parseHex(ground)).l ? [1, 0] : [0, 1];
  for (const end of towards) {
    const at = (share: number): string => inGamut(start.l + (end - start.l) * share, start.c, start.h);
    if (contrastRatio(at(1), ground) < wanted) continue;
    let [low, high] = [0, 1];
    for (let step = 0; step < STEPS; step++) {
      const middle = (low + high) / 2;
      if (contrastRatio(at(middle), ground) >= wanted) high = middle;
      else low = middle;
    }
    return at(high);
  }
  return null;
}

/** The most chroma, up to the wanted, that sRGB holds at a lightness and hue. */
function inGamut(l: number, chroma: number, h: number): string {
  let [low, high] = [0, chroma];
  if (fits(fromOklch({ l, c: chroma, h }))) return toHex(fromOklch({ l, c: chroma, h }));
  for (let step = 0; step < STEPS; step++) {
    const middle = (low + high) / 2;
    if (fits(fromOklch({ l, c: middle, h }))) low = middle;
    else high = middle;
  }
  return toHex(fromOklch({ l, c: low, h }));
}

const EDGE = 1 / 512;
const fits = ({ r, g, b }: Rgb): boolean => [r, g, b].every((channel) => channel >= -EDGE && channel <= 1 + EDGE);
