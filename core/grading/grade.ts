import { keysOf } from "../records";
import { fromLinear, toLinear } from "../color/srgb";
import { type Channels } from "./lookupTable";

/** How the colours of a picture are changed, value by value. 0 changes nothing; what is not there is 0. */
export interface Grade {
  /** Stops: one more is twice the light. */
  readonly exposure?: number;
  readonly brightness?: number;
  readonly contrast?: number;
  readonly highlights?: number;
  readonly shadows?: number;
  readonly saturation?: number;
  /** From blue to orange. */
  readonly warmth?: number;
  /** From green to magenta. */
  readonly tint?: number;
  /** Degrees around the circle of hues. */
  readonly hue?: number;
  /** Lifts black, as a print does that has hung in the sun. */
  readonly fade?: number;
}
export type GradeName = keyof Grade;

/** What each value is called and how far it goes. All but exposure and hue are shares: 1 is as far as there is. */
export const GRADE_VALUES: Readonly<
  Record<GradeName, { readonly label: string; readonly least: number; readonly most: number; readonly unit: string }>
> = {
  exposure: { label: "Exposure", least: -2, most: 2, unit: "stops" },
  brightness: { label: "Brightness", least: -1, most: 1, unit: "%" },
  contrast: { label: "Contrast", least: -1, most: 1, unit: "%" },
  highlights: { label: "Highlights", least: -1, most: 1, unit: "%" },
  shadows: { label: "Shadows", least: -1, most: 1, unit: "%" },
  saturation: { label: "Saturation", least: -1, most: 1, unit: "%" },
  warmth: { label: "Warmth", least: -1, most: 1, unit: "%" },
  tint: { label: "Tint", least: -1, most: 1, unit: "%" },
  hue: { label: "Hue", least: -180, most: 180, unit: "°" },
  fade: { label: "Fade", least: 0, most: 1, unit: "%" },
};
export const GRADE_NAMES = keysOf(GRADE_VALUES);

type Change = (color: Channels) => Channels;

const each =
  (change: (channel: number) => number): Change =>
  ([red, green, blue]) => [change(red), change(green), change(blue)];

/** How much of the light of white each channel has: Rec. ITU-R BT.709, as WCAG's relative luminance takes it. */
const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;
const WARMEST = 0.35;
const MOST_TINTED = 0.3;
const MOST_FADED = 0.22;

const clamped = (channel: number): number => Math.min(1, Math.max(0, channel));

/** Gains in linear light, of which white keeps its luminance. */
function balanced(warmth: number, tint: number): Change {
  const gains = [
    2 ** (WARMEST * warmth + MOST_TINTED * tint * 0.5),
    2 ** (-MOST_TINTED * tint),
    2 ** (-WARMEST * warmth + MOST_TINTED * tint * 0.5),
  ];
  const light = gains.reduce((sum, gain, channel) => sum + gain * (LUMINANCE[channel] ?? 0), 0);
  const one = (value: number, channel: number): number => fromLinear((toLinear(value) * (gains[channel] ?? 1)) / light);
  return ([red, green, blue]) => [one(red, 0), one(green, 1), one(blue, 2)];
}

/** A colour under a matrix, row by row. */
const matrixed =
  (rows: readonly Channels[]): Change =>
  ([red, green, blue]) => {
    const row = (at: number): number => {
      const [r, g, b] = rows[at] ?? [0, 0, 0];
      return r * red + g * green + b * blue;
    };
    return [row(0), row(1), row(2)];
  };

/** W3C Filter Effects Module Level 1, feColorMatrix type="saturate". */
const saturated = (s: number): Change =>
  matrixed([
    [0.213 + 0.787 * s, 0.715 - 0.715 * s, 0.072 - 0.072 * s],
    [0.213 - 0.213 * s, 0.715 + 0.285 * s, 0.072 - 0.072 * s],
    [0.213 - 0.213 * s, 0.715 - 0.715 * s, 0.072 + 0.928 * s],
  ]);

/** W3C Filter Effects Module Level 1, feColorMatrix type="hueRotate". */
function hueRotated(degrees: number): Change {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return matrixed([
    [0.213 + c * 0.787 - s * 0.213, 0.715 - c * 0.715 - s * 0.715, 0.072 - c * 0.072 + s * 0.928],
    [0.213 - c * 0.213 + s * 0.143, 0.715 + c * 0.285 + s * 0.14, 0.072 - c * 0.072 - s * 0.283],
    [0.213 - c * 0.213 - s * 0.787, 0.715 - c * 0.715 + s * 0.715, 0.072 + c * 0.928 + s * 0.072],
  ]);
}

/** Lifts or lowers dark and light tones. Both curves keep black and white, and never turn back on themselves. */
const toned = (shadows: number, highlights: number): Change =>
  each((channel) => {
    const v = clamped(channel);
    return v + shadows * v * (1 - v) ** 2 + highlights * v ** 2 * (1 - v);
  });

/**
 * The change that a grade makes of channels from 0 to 1, in this order: light (exposure in linear light, warmth and tint),
 * tones (highlights and shadows), brightness and contrast (W3C Filter Effects: a factor, and a slope around the middle),
 * saturation and hue (its matrices), fade.
 */
export function gradeChange(grade: Grade): Change {
  const { exposure = 0, brightness = 0, contrast = 0, highlights = 0, shadows = 0 } = grade;
  const { saturation = 0, warmth = 0, tint = 0, hue = 0, fade = 0 } = grade;
  const steps: Change[] = [];
  if (exposure !== 0) steps.push(each((channel) => fromLinear(toLinear(channel) * 2 ** exposure)));
  if (warmth !== 0 || tint !== 0) steps.push(balanced(warmth, tint));
  if (shadows !== 0 || highlights !== 0) steps.push(toned(shadows, highlights));
  if (brightness !== 0) steps.push(each((channel) => channel * (1 + brightness)));
  if (contrast !== 0) steps.push(each((channel) => (channel - 0.5) * (1 + contrast) + 0.5));
  if (saturation !== 0) steps.push(saturated(1 + saturation));
  if (hue !== 0) steps.push(hueRotated(hue));
  if (fade !== 0) steps.push(each((channel) => clamped(channel) * (1 - MOST_FADED * fade) + MOST_FADED * fade));
  return (color) => steps.reduce((now, step) => step(now), color);
}
