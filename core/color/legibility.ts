import { WANTED_CONTRAST } from "./contrast";
import { SAMPLE_NUMBERS, type ToneSamples } from "../picture/tones";
import { parseHex, toLinear, type Rgb } from "./srgb";

/** The share of the pixels behind words that must reach the wanted contrast. */
export const REACHED_BY = 0.95;

const PHONE_WIDTH_PX = 390;
const FORMAT_WIDTH = 1080;
const PX = FORMAT_WIDTH / PHONE_WIDTH_PX;

/**
 * The contrast that words of a size (design units) need. Large is 24 px, or 18.66 px bold (WCAG 2.2, 1.4.3); a short side
 * of 1080 units fills a phone 390 px wide (common practice).
 */
export function wantedContrast(size: number, weight: number): number {
  const large = size >= 24 * PX || (weight >= 700 && size >= 18.66 * PX);
  return large ? WANTED_CONTRAST.large : WANTED_CONTRAST.text;
}

/** A pair to try: words in `ink`, with a shade of this colour behind them where the picture alone is not enough. */
export interface InkChoice {
  readonly ink: string;
  readonly shade: string;
}

export type Treatment =
  | { readonly kind: "plain" }
  /** A shade over the picture. */
  | { readonly kind: "shade"; readonly color: string; readonly alpha: number };

export interface Legibility {
  readonly ink: string;
  readonly treatment: Treatment;
  /** The contrast that 95 % of the pixels behind the words reach. */
  readonly contrast: number;
}

const STEP = 0.02;
const MOST_SHADE = 0.94;
/** How much lighter a light shade must be than the dark one to be taken: dark shades look quieter behind words. */
const FAVOUR = 0.4;
/** Smoothing and compression move pixels a little; so much more contrast than wanted is asked of the measured ones. */
const MARGIN = 1.05;

/**
 * Chooses ink and the least shade for words over pictures, so that 95 % of the pixels behind them reach the wanted
 * contrast at every moment.
 * @param moments the colours behind the words at several times
 * @param inks tried in order; the first wins where two are as good
 * @param leastShade a shade that is there in any case, 0 for none
 */
export function solveLegibility(
  moments: readonly ToneSamples[],
  inks: readonly InkChoice[],
  wanted: number,
  leastShade = 0,
): Legibility {
  const solved = inks.map((choice): Solved => ({
    choice,
    alpha: leastAlpha(leastShade, (alpha) => {
      const shaded = shadedBy(choice, alpha);
      return moments.every((samples) => isReached(samples, shaded, wanted * MARGIN));
    }),
  }));
  const [first] = solved;
  if (!first) throw new RangeError("Words over a picture need at least one ink to try.");
  const reached = ({ choice: { ink, shade }, alpha }: Solved): number =>
    Math.min(...moments.map((samples) => contrastReached(samples, ink, shade, alpha)));
  const best = solved.reduce((best, one) => (isBetter(one, best, reached) ? one : best), first);
  const { choice, alpha } = best;
  return {
    ink: choice.ink,
    treatment: alpha > 0 ? { kind: "shade", color: choice.shade, alpha } : { kind: "plain" },
    contrast: reached(best),
  };
}

/** An ink, with the least shade that is enough for it. */
interface Solved {
  readonly choice: InkChoice;
  readonly alpha: number;
}

/** The least of some steps of alpha that is enough; the most there is when none is. More shade is never less legible. */
function leastAlpha(from: number, enough: (alpha: number) => boolean): number {
  if (enough(from)) return from;
  let [low, high] = [0, Math.ceil((MOST_SHADE - from) / STEP)];
  const alphaOf = (step: number): number => Math.min(MOST_SHADE, Math.round((from + step * STEP) * 100) / 100);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (enough(alphaOf(middle))) high = middle;
    else low = middle;
  }
  return alphaOf(high);
}

/** @param reached finds the contrast of one: it takes as long as all else, so it is asked only where that decides */
const isBetter = (one: Solved, best: Solved, reached: (one: Solved) => number): boolean =>
  one.alpha === 0 && best.alpha === 0
    ? reached(one) > reached(best)
    : one.alpha === 0 || one.alpha < best.alpha - FAVOUR;

/** A shade of a colour and alpha, and the luminance of an ink on it. */
interface Shaded {
  readonly over: Rgb;
  readonly alpha: number;
  readonly light: number;
}

const shadedBy = ({ ink, shade }: InkChoice, alpha: number): Shaded => ({
  over: parseHex(shade),
  alpha,
  light: luminance(parseHex(ink)),
});

/** What of an area may stay below the contrast that is wanted. */
function sparedOf(samples: ToneSamples): number {
  let whole = 0;
  for (let at = 0; at < samples.length; at += SAMPLE_NUMBERS) whole += shareAt(samples, at);
  return whole * (1 - REACHED_BY);
}
const shareAt = (samples: ToneSamples, at: number): number => samples[at + 3] ?? 0;

/** Whether enough of an area has the contrast that is wanted. */
function isReached(samples: ToneSamples, shaded: Shaded, wanted: number): boolean {
  const spared = sparedOf(samples);
  let below = 0;
  for (let at = 0; at < samples.length; at += SAMPLE_NUMBERS) {
    if (contrastOver(samples, at, shaded) < wanted) below += shareAt(samples, at);
    if (below > spared) return false;
  }
  return true;
}

/** The contrast of an ink's luminance with a pixel under a shade. @param at where the pixel stands among some */
function contrastOver(samples: ToneSamples, at: number, { over, alpha, light }: Shaded): number {
  const [r, g, b] = [samples[at] ?? 0, samples[at + 1] ?? 0, samples[at + 2] ?? 0];
  const below =
    0.2126 * linear(r + (over.r - r) * alpha) +
    0.7152 * linear(g + (over.g - g) * alpha) +
    0.0722 * linear(b + (over.b - b) * alpha);
  return (Math.max(light, below) + 0.05) / (Math.min(light, below) + 0.05);
}

/** Pixels have eight bits a channel, so there are 256 values to look up. */
const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => toLinear(byte / 255));
const linear = (channel: number): number => LINEAR[Math.round(channel * 255)] ?? 0;

/** The contrast (WCAG 2.2) that 95 % of an area reaches with an ink, under a shade of a colour and alpha. */
export function contrastReached(samples: ToneSamples, ink: string, shade: string, alpha: number): number {
  const shaded = shadedBy({ ink, shade }, alpha);
  const spared = sparedOf(samples);
  /** The least contrasts, in order: no more of them than it takes to pass what is spared. All would take long to sort. */
  const least: { readonly contrast: number; readonly share: number }[] = [];
  let passed = 0;
  for (let index = 0; index < samples.length; index += SAMPLE_NUMBERS) {
    const contrast = contrastOver(samples, index, shaded);
    if (passed > spared && contrast >= (least.at(-1)?.contrast ?? 0)) continue;
    const share = shareAt(samples, index);
    const at = least.findIndex((one) => one.contrast > contrast);
    least.splice(at < 0 ? least.length : at, 0, { contrast, share });
    passed += share;
    for (let last = least.at(-1); last && passed - last.share > spared; last = least.at(-1)) {
      passed -= last.share;
      least.pop();
    }
  }
  return least.at(-1)?.contrast ?? 21;
}

const luminance = ({ r, g, b }: Rgb): number => 0.2126 * toLinear(r) + 0.7152 * toLinear(g) + 0.0722 * toLinear(b);
