import { type Rgb, fromLinear, toLinear } from "./srgb";

/** Lightness 0 to 1, chroma 0 upwards, hue in degrees 0 to 360. */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

/** sRGB to OKLCH, by the matrices of CSS Color 4 (sample code, `linear sRGB → OKLab`). */
export function toOklch(color: Rgb): Oklch {
  const [r, g, b] = [toLinear(color.r), toLinear(color.g), toLinear(color.b)];
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  const lightness = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s;
  const a = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
  const bb = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
  const hue = (Math.atan2(bb, a) * 180) / Math.PI;
  return { l: lightness, c: Math.hypot(a, bb), h: hue < 0 ? hue + 360 : hue };
}

/** OKLCH to sRGB. Channels may lie outside 0 to 1 where the colour is outside sRGB. */
export function fromOklch({ l, c, h }: Oklch): Rgb {
  const a = c * Math.cos((h * Math.PI) / 180);
  const bb = c * Math.sin((h * Math.PI) / 180);
  const long = (l + 0.3963377774 * a + 0.2158037573 * bb) ** 3;
  const middle = (l - 0.1055613458 * a - 0.0638541728 * bb) ** 3;
  const short = (l - 0.0894841775 * a - 1.291485548 * bb) ** 3;
  return {
    r: fromLinear(4.0767416621 * long - 3.3077115913 * middle + 0.2309699292 * short),
    g: fromLinear(-1.2684380046 * long + 2.6097574011 * middle - 0.3413193965 * short),
    b: fromLinear(-0.0041960863 * long - 0.7034186147 * middle + 1.707614701 * short),
  };
}
