import { decibelsOf } from "./decibels";
import { type Loudness, loudnessOf } from "./loudness";
import { type Stereo } from "./samples";

/** What was measured of all that is heard of a promotion. */
export interface MeasuredMix extends Loudness {
  /** Its integrated loudness where both channels come from one speaker, in LUFS; null where nothing is left of it. */
  readonly mono: number | null;
  /** By how much the limiter turned it down where it did most, in decibels. */
  readonly turnedDown: number;
}

/** @param factor the least that the limiter turned anything down by */
export function measuredMix(heard: Stereo, factor: number): MeasuredMix {
  const both = heard.left.map((sample, at) => (sample + (heard.right[at] ?? 0)) / 2);
  return {
    ...loudnessOf(heard),
    mono: loudnessOf({ left: both, right: both }).integrated,
    turnedDown: -decibelsOf(factor),
  };
}
