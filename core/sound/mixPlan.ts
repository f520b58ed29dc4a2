import { type SoundPlan } from "../document/template";
import { type SoundFacts } from "../document/facts";

/** How the bed of a promotion sounds: one gain, a fade in and a fade out, all in milliseconds of the promotion. */
export interface MixPlan {
  readonly length: number;
  /** Decibels added to the tune. */
  readonly gain: number;
  readonly fadeIn: number;
  readonly fadeOut: number;
}

/** Peaks stay below this, in dBTP (common practice for online channels). */
export const MOST_PEAK = -1;
const MOST_GAIN = 20;

/** The gain that brings a tune to the wanted loudness without its peaks passing the limit, and the fades cut to fit. */
export function mixPlan(tune: SoundFacts, plan: SoundPlan, length: number): MixPlan {
  const wanted = tune.loudness === null ? 0 : plan.loudness - tune.loudness;
  const room = tune.peak === null ? MOST_GAIN : MOST_PEAK - tune.peak;
  const fades = plan.fadeIn + plan.fadeOut;
  const share = fades > length && fades > 0 ? length / fades : 1;
  return {
    length,
    gain: Math.min(wanted, room, MOST_GAIN),
    fadeIn: plan.fadeIn * share,
    fadeOut: plan.fadeOut * share,
  };
}

/** The linear factor the tune is played with at a time: gain and straight-line fades. */
export function levelAt(plan: MixPlan, time: number): number {
  const opening = plan.fadeIn > 0 ? time / plan.fadeIn : 1;
  const closing = plan.fadeOut > 0 ? (plan.length - time) / plan.fadeOut : 1;
  return 10 ** (plan.gain / 20) * Math.min(1, Math.max(0, Math.min(opening, closing)));
}
