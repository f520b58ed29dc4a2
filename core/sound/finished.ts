import { factorOf } from "./decibels";
import { limited } from "./limiter";
import { loudnessOf } from "./loudness";
import { type Stereo } from "./samples";

/** Between two samples a wave may be a little higher than at either: the limiter, which sees samples, gets so much less. */
export const UNDER_CEILING = 0.3;
/** An encoder leaves peaks up to so much higher than it was given them, in decibels. */
const LEFT_BY_ENCODERS = 0.8;
/** No more than that is added to what is mixed, in decibels: what is nearly silent stays so. */
export const MOST_MADE_LOUDER = 20;
/** Near enough to what is asked for, in LU. */
const NEAR = 0.1;
const MOST_TRIES = 6;

/** What was made of a mix, and the least factor that its limiter turned anything down by. */
export interface Finished {
  readonly whole: Stereo;
  readonly turnedDown: number;
}

/**
 * What was mixed, made as loud as it is asked for as a whole, and kept under the ceiling between samples too. What the
 * limiter takes away is made good, as far as it can be: the last of a few tries counts, and none passes the ceiling.
 */
export function finished(
  mixed: Stereo,
  { loudness, ceiling }: { readonly loudness: number; readonly ceiling: number },
): Finished {
  const before = loudnessOf(mixed).integrated;
  let gain = before === null ? 0 : Math.min(MOST_MADE_LOUDER, loudness - before);
  let limit = ceiling - LEFT_BY_ENCODERS - UNDER_CEILING;
  for (let tries = 1; ; tries++) {
    const made = inOne(limited([louder(mixed, factorOf(gain))], factorOf(limit)), mixed.left.length);
    const { integrated, truePeak } = loudnessOf(made.whole);
    const off = integrated === null ? 0 : loudness - integrated;
    const over = truePeak === null ? 0 : truePeak - (ceiling - LEFT_BY_ENCODERS);
    const canGoOn = tries < MOST_TRIES && (off < 0 || gain < MOST_MADE_LOUDER);
    if (over <= 0 && (Math.abs(off) <= NEAR || !canGoOn)) return { whole: made.whole, turnedDown: made.ended };
    // Where it was tried often enough, only what passes the ceiling counts.
    if (canGoOn) gain = Math.min(MOST_MADE_LOUDER, gain + off);
    limit -= Math.max(0, over);
  }
}

const louder = ({ left, right }: Stereo, factor: number): Stereo => ({
  left: left.map((sample) => sample * factor),
  right: right.map((sample) => sample * factor),
});

/** Blocks one after the other as one, and what was said at their end. @param count the samples of all of them */
export function inOne<Ended>(blocks: Generator<Stereo, Ended>, count: number): { whole: Stereo; ended: Ended } {
  const whole = { left: new Float32Array(count), right: new Float32Array(count) };
  let at = 0;
  for (;;) {
    const next = blocks.next();
    if (next.done) return { whole, ended: next.value };
    whole.left.set(next.value.left, at);
    whole.right.set(next.value.right, at);
    at += next.value.left.length;
  }
}
