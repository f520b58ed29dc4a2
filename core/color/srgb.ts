import { Refusal } from "../refusal";
/** Colours are sRGB hex (`#rrggbb`) in documents; channels here are 0 to 1. */
export interface Rgb {
  readonly r: number;
  readonly g: number;
  readonly b: number;
}

const HEX = /^#([0-9a-f]{6})$/i;

export const isHex = (value: string): boolean => HEX.test(value);

/** Reads `#rrggbb`. Throws, naming what it got, on anything else. */
export function parseHex(hex: string): Rgb {
  const digits = HEX.exec(hex)?.[1];
  if (!digits) throw new Refusal(`A colour must look like #1a2b3c, got “${hex}”.`);
  const channel = (start: number): number => Number.parseInt(digits.slice(start, start + 2), 16) / 255;
  return { r: channel(0), g: channel(2), b: channel(4) };
}

/** Writes `#rrggbb`, clamping channels that lie outside sRGB. */
export function toHex({ r, g, b }: Rgb): string {
  const byte = (channel: number): string =>
    Math.round(Math.min(1, Math.max(0, channel)) * 255)
      .toString(16)
      .padStart(2, "0");
  return `#${byte(r)}${byte(g)}${byte(b)}`;
}

/** sRGB channel to linear light (IEC 61966-2-1). */
export const toLinear = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

/** Linear light to sRGB channel (IEC 61966-2-1). */
export const fromLinear = (light: number): number =>
  light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055;

/** `rgba()` notation of a colour with an alpha, for gradients and shades. */
export function withAlpha(hex: string, alpha: number): string {
  const { r, g, b } = parseHex(hex);
  return `rgba(${Math.round(r * 255)}, ${Math.round(g * 255)}, ${Math.round(b * 255)}, ${Number(alpha.toFixed(4))})`;
}
