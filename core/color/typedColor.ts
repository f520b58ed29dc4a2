import { type Oklab, clampChroma, converter, formatHex, parse } from "culori";
import { parseHex } from "./srgb";
import { toOklch } from "./oklch";
import { Refusal } from "../refusal";

export const COLOR_NOTATIONS = ["hex", "rgb", "hsl", "oklch"] as const;
export type ColorNotation = (typeof COLOR_NOTATIONS)[number];

/**
 * Reads a colour as people write it, in CSS notation (`#2f6b4f`, `rgb(47 107 79)`, `hsl(152 39% 30%)`, `oklch(0.47 0.08 160)`)
 * or without its function name (`47, 107, 79`; `2f6b4f`). Colours outside sRGB keep lightness and hue and lose chroma
 * (CSS Color 4, gamut mapping). Throws, naming what it got.
 */
export function parseColor(typed: string): string {
  const text = typed.trim().toLowerCase();
  const found =
    parse(text) ??
    parse(
      /^[0-9a-f]{6}$/.test(text)
        ? `#${text}`
        : /^\d{1,3}[\s,]+\d{1,3}[\s,]+\d{1,3}$/.test(text)
          ? `rgb(${text.split(/[\s,]+/).join(", ")})`
          : "",
    );
  if (!found || (found.alpha !== undefined && found.alpha < 1))
    throw new Refusal(
      `“${typed}” is not a colour. Write it like #2f6b4f, rgb(47 107 79), hsl(152 39% 30%) or oklch(0.47 0.08 160).`,
    );
  const { r, g, b } = toRgb(found);
  // Less than half a step outside is rounding, not another colour.
  const inside = [r, g, b].every((channel) => channel >= -HALF_STEP && channel <= 1 + HALF_STEP);
  return formatHex(inside ? { mode: "rgb", r, g, b } : clampChroma(found, "oklch", "rgb"));
}

const toRgb = converter("rgb");
const HALF_STEP = 1 / 512;

const toHsl = converter("hsl");

/** A colour in a notation, as it can be typed again. OKLCH and HSL are rounded to what still gives the same hex. */
export function writeColor(hex: string, notation: ColorNotation): string {
  const { r, g, b } = parseHex(hex);
  switch (notation) {
    case "hex":
      return hex.toLowerCase();
    case "rgb":
      return `rgb(${[r, g, b].map((channel) => Math.round(channel * 255)).join(" ")})`;
    case "hsl": {
      const { h = 0, s, l } = toHsl({ mode: "rgb", r, g, b });
      return `hsl(${round(h, 2)} ${round(s * 100, 2)}% ${round(l * 100, 2)}%)`;
    }
    case "oklch": {
      const { l, c, h } = toOklch({ r, g, b });
      return `oklch(${round(l, 5)} ${round(c, 5)} ${round(c < 0.00005 ? 0 : h, 2)})`;
    }
  }
}

const round = (value: number, digits: number): number => Number(value.toFixed(digits));

const toOklab = converter("oklab");

/** A colour in OKLab (CSS Color 4). */
export function oklabOf(hex: string): Pick<Oklab, "l" | "a" | "b"> {
  const { l, a, b } = toOklab({ mode: "rgb", ...parseHex(hex) });
  return { l, a, b };
}
