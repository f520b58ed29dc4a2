import { factorOf } from "./decibels";
import { UNDER_CEILING, finished, inOne } from "./finished";
import { limited } from "./limiter";
import { mixSamples } from "./mixSamples";
import { type Mix } from "./mixedPiece";
import { type SoundSamples, type Stereo } from "./samples";

/**
 * What is heard of a promotion, in the browser as in the files: its pieces mixed, made as loud as is asked for and kept
 * under the ceiling; about a second at a time where nothing is asked for, else in one.
 *
 * @param samplesOf the samples of a sound that are needed; null where they can't be had
 * @param count how many samples are made
 * @returns at the end, the least factor that the limiter turned anything down by
 */
export function* heardSamples(
  mix: Mix,
  samplesOf: (sound: string) => SoundSamples | null,
  count: number,
): Generator<Stereo, number> {
  const { loudness, ceiling } = mix.finish;
  const mixed = mixSamples(mix, samplesOf, count);
  if (loudness === null) return yield* limited(mixed, factorOf(ceiling - UNDER_CEILING));
  const { whole, turnedDown } = finished(inOne(mixed, count).whole, { loudness, ceiling });
  yield whole;
  return turnedDown;
}
