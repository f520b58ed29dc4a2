import { decibelsOf } from "./decibels";
import { SAMPLE_RATE, type Stereo } from "./samples";

/** How loud something is on the whole. */
export interface Loudness {
  /** Integrated loudness in LUFS (ITU-R BS.1770-4); null where there is nothing but silence. */
  readonly integrated: number | null;
  /** The loudest 400 ms, in LUFS; null where there is nothing but silence. */
  readonly momentary: number | null;
  /** The highest peak of the wave, between samples too, in dBTP; null for silence. */
  readonly truePeak: number | null;
  /** How loud each 400 ms are, in LUFS, each 100 ms after the one before: what a meter shows. Silence is minus infinity. */
  readonly moments: readonly number[];
}

/** A filter of the second order, as BS.1770-4 writes it: the coefficients at 48 kHz. */
interface Biquad {
  readonly b: readonly [number, number, number];
  readonly a: readonly [number, number];
}

/** The two stages of the K-weighting (BS.1770-4, tables 1 and 2): a shelf as the head makes it, and a high-pass. */
const SHELF: Biquad = {
  b: [1.53512485958697, -2.69169618940638, 1.19839281085285],
  a: [-1.69065929318241, 0.73248077421585],
};
const HIGH_PASS: Biquad = { b: [1, -2, 1], a: [-1.99004745483398, 0.99007225036621] };

/** Blocks of 400 ms, each 100 ms after the one before. */
const STEP = SAMPLE_RATE / 10;
const STEPS_A_BLOCK = 4;
/** How far apart moments are, and how long each is, in milliseconds. */
export const MOMENT_STEP_MS = 100;
export const MOMENT_MS = MOMENT_STEP_MS * STEPS_A_BLOCK;
/** What is under it does not count; nor what is so far under the mean of the rest. */
const ABSOLUTE_GATE = -70;
const RELATIVE_GATE = -10;

/**
 * Loudness after ITU-R BS.1770-4 (as EBU R 128 uses it) and true peak after its Annex 2. What is shorter than a block of
 * 400 ms has no loudness.
 */
export function loudnessOf({ left, right }: Stereo): Loudness {
  const steps = stepsOf(left, right);
  const blocks = Array.from({ length: Math.max(0, steps.length - STEPS_A_BLOCK + 1) }, (_, at) => {
    let sum = 0;
    for (let step = at; step < at + STEPS_A_BLOCK; step++) sum += steps[step] ?? 0;
    return sum / STEPS_A_BLOCK;
  });
  const moments = blocks.map(inLufs);
  const peak = Math.max(truePeakOf(left), truePeakOf(right));
  const loudest = moments.reduce((most, moment) => Math.max(most, moment), -Infinity);
  return {
    integrated: integratedOf(moments),
    momentary: loudest > ABSOLUTE_GATE ? loudest : null,
    truePeak: peak > 0 ? decibelsOf(peak) : null,
    moments,
  };
}

/** The integrated loudness of what has such moments, in LUFS, gated twice as BS.1770-4 says; null for silence. */
export function integratedOf(moments: readonly number[]): number | null {
  const heard = moments.filter((moment) => moment > ABSOLUTE_GATE).map(inPower);
  if (heard.length === 0) return null;
  const gate = inLufs(mean(heard)) + RELATIVE_GATE;
  return inLufs(mean(heard.filter((power) => inLufs(power) > gate)));
}

const inLufs = (power: number): number => -0.691 + 10 * Math.log10(power);
const inPower = (lufs: number): number => 10 ** ((lufs + 0.691) / 10);
const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;

/** The mean power of both channels together, weighted, in each 100 ms. */
function stepsOf(left: Float32Array, right: Float32Array): Float64Array {
  const steps = new Float64Array(Math.floor(left.length / STEP));
  for (const channel of [left, right]) addWeighted(channel, steps);
  return steps;
}

/**
 * Adds the K-weighted power of a channel to each step. Both filters in transposed direct form II, written out in one loop:
 * a function for each keeps its state where the loop can't hold it in registers, and takes four times as long.
 */
function addWeighted(channel: Float32Array, steps: Float64Array): void {
  const [s0, s1, s2] = SHELF.b;
  const [r1, r2] = SHELF.a;
  const [h0, h1, h2] = HIGH_PASS.b;
  const [q1, q2] = HIGH_PASS.a;
  let [shelfFirst, shelfSecond, highFirst, highSecond] = [0, 0, 0, 0];
  for (let step = 0; step < steps.length; step++) {
    let sum = 0;
    for (let at = step * STEP; at < (step + 1) * STEP; at++) {
      const sample = channel[at] ?? 0;
      const shelved = s0 * sample + shelfFirst;
      shelfFirst = s1 * sample - r1 * shelved + shelfSecond;
      shelfSecond = s2 * sample - r2 * shelved;
      const weighted = h0 * shelved + highFirst;
      highFirst = h1 * shelved - q1 * weighted + highSecond;
      highSecond = h2 * shelved - q2 * weighted;
      sum += weighted * weighted;
    }
    steps[step] = (steps[step] ?? 0) + sum / STEP;
  }
}

/** The interpolating filter of BS.1770-4, Annex 2: the first two of its four phases; the others are these backwards. */
const FIRST_PHASE = Float64Array.of(
  ...[0.001708984375, 0.010986328125, -0.0196533203125, 0.033203125, -0.0594482421875, 0.1373291015625],
  ...[0.97216796875, -0.102294921875, 0.047607421875, -0.026611328125, 0.014892578125, -0.00830078125],
);
const SECOND_PHASE = Float64Array.of(
  ...[-0.0291748046875, 0.029296875, -0.0517578125, 0.089111328125, -0.16650390625, 0.465087890625],
  ...[0.77978515625, -0.2003173828125, 0.1015625, -0.0582275390625, 0.0330810546875, -0.0189208984375],
);
const TAPS = FIRST_PHASE.length;
const HALF = TAPS / 2;
/** So much higher than the samples around it a wave is between them at most: what its phases add up to. */
const MOST_BETWEEN = Math.max(
  ...[FIRST_PHASE, SECOND_PHASE].map((phase) => phase.reduce((sum, tap) => sum + Math.abs(tap), 0)),
);

/** A phase and the same backwards, as what is alike in both and what is opposite: half the work gives the two together. */
interface Halves {
  readonly alike: Float64Array;
  readonly opposite: Float64Array;
}
const halvesOf = (phase: Float64Array): Halves => {
  const half = (sign: 1 | -1): Float64Array =>
    Float64Array.from({ length: HALF }, (_, tap) => ((phase[tap] ?? 0) + sign * (phase[TAPS - 1 - tap] ?? 0)) / 2);
  return { alike: half(1), opposite: half(-1) };
};

/** The highest peak of a channel at four times its rate: a linear factor of full scale. */
function truePeakOf(samples: Float32Array): number {
  let most = 0;
  for (const sample of samples) most = Math.max(most, Math.abs(sample));
  // With silence before and after it, so that no sample has to be asked for that is not there.
  const padded = new Float32Array(samples.length + 2 * TAPS);
  padded.set(samples, TAPS);
  const { alike: alikeInFirst, opposite: oppositeInFirst } = halvesOf(FIRST_PHASE);
  const { alike: alikeInSecond, opposite: oppositeInSecond } = halvesOf(SECOND_PHASE);
  const near = most / MOST_BETWEEN;
  let lastHigh = -Infinity;
  for (let at = TAPS - 1; at < padded.length; at++) {
    if (Math.abs(padded[at] ?? 0) >= near) lastHigh = at;
    // Where all samples are lower than that, no wave between them can be the highest.
    if (at - lastHigh >= TAPS) continue;
    let firstAlike = 0;
    let firstOpposite = 0;
    let secondAlike = 0;
    let secondOpposite = 0;
    for (let tap = 0; tap < HALF; tap++) {
      const newer = padded[at - tap] ?? 0;
      const older = padded[at - (TAPS - 1 - tap)] ?? 0;
      const sum = newer + older;
      const difference = newer - older;
      firstAlike += (alikeInFirst[tap] ?? 0) * sum;
      firstOpposite += (oppositeInFirst[tap] ?? 0) * difference;
      secondAlike += (alikeInSecond[tap] ?? 0) * sum;
      secondOpposite += (oppositeInSecond[tap] ?? 0) * difference;
    }
    // The higher of a phase and the same backwards: |a + b| and |a − b|.
    const inFirst = Math.abs(firstAlike) + Math.abs(firstOpposite);
    const inSecond = Math.abs(secondAlike) + Math.abs(secondOpposite);
    if (inFirst > most) most = inFirst;
    if (inSecond > most) most = inSecond;
  }
  return most;
}
