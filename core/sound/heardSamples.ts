import { factorOf } from "./decibels";
import { limited } from "./limiter";
import { MOST_PEAK } from "./mix";
import { mixSamples } from "./mixSamples";
import { type Mix } from "./mixedPiece";
import { type SoundSamples, type Stereo } from "./samples";

/** Between two samples a wave may be a little higher than at either. */
const BETWEEN_SAMPLES = 0.3;
const LIMIT = factorOf(MOST_PEAK - BETWEEN_SAMPLES);

/**
 * What is heard of a promotion, in the browser as in the files: its pieces mixed and kept under the limit, about a second at
 * a time.
 *
 * @param samplesOf the samples of a sound that are needed; null where they can't be had
 * @param count how many samples are made
 */
export const heardSamples = (
  mix: Mix,
  samplesOf: (sound: string) => SoundSamples | null,
  count: number,
): Generator<Stereo> => limited(mixSamples(mix, samplesOf, count), LIMIT);
