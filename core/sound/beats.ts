import { ONSET_RATE, onsetsOf } from "./onsets";
import { type Stereo } from "./samples";

/** The beats of a tune. */
export interface Beats {
  /** Beats a minute. */
  readonly tempo: number;
  /** When they fall, in milliseconds from its start. */
  readonly times: readonly number[];
}

const [SLOWEST, FASTEST] = [62, 190];
/** Most music goes about so fast (Moelants, Preferred tempo reconsidered, 2002), give or take so many octaves. */
const USUAL_TEMPO = 112;
const USUAL_SPREAD = 0.75;
/** How much a beat that is off its time costs, beside how strong it is (Ellis, Beat Tracking by Dynamic Programming, 2007). */
const TIGHTNESS = 100;
/** What lies half way between two beats is a beat itself from so much of their strength on. */
const HALF_IS_BEAT = 0.62;
/** Every other beat is none under so much of the strength of those between. Both were found on tunes whose beats are known. */
const OTHER_IS_NONE = 0.57;
/** Slower than this, or faster, a tempo is looked at again: half of listeners would tap otherwise. */
const [RATHER_SLOW, RATHER_FAST] = [96, 125];
/** A sound with hardly any onsets has no beat. */
const LEAST_SECONDS = 4;

/** Finds tempo and beats of a tune; null where there is none to be found. */
export function beatsOf(sound: Stereo): Beats | null {
  const { strength, first } = onsetsOf(sound);
  if (strength.length < LEAST_SECONDS * ONSET_RATE || strength.every((value) => value === 0)) return null;
  const smooth = smoothed(strength);
  const period = settledPeriod(smooth, likelyPeriod(smooth));
  const frames = trackBeats(smooth, period);
  if (frames.length < 4) return null;
  const exact = frames.map((frame) => peakNear(strength, frame));
  const perBeat = slope(exact);
  return {
    tempo: (60 * ONSET_RATE) / perBeat,
    times: exact.map((frame) => Math.round((frame / ONSET_RATE + first) * 1000)),
  };
}

/** A little wider, so that onsets a hundredth of a second apart meet. */
function smoothed(strength: Float64Array): Float64Array {
  const weights = [0.25, 0.6, 1, 0.6, 0.25];
  return strength.map((_, at) =>
    weights.reduce((sum, weight, index) => sum + weight * (strength[at + index - 2] ?? 0), 0),
  );
}

function likeness(strength: Float64Array, lag: number): number {
  let sum = 0;
  for (let at = lag; at < strength.length; at++) sum += (strength[at] ?? 0) * (strength[at - lag] ?? 0);
  return sum / Math.max(1, strength.length - lag);
}

/** Between two whole lags. */
function likenessAt(strength: Float64Array, lag: number): number {
  const [low, share] = [Math.floor(lag), lag - Math.floor(lag)];
  return likeness(strength, low) * (1 - share) + likeness(strength, low + 1) * share;
}

const tempoOf = (period: number): number => (60 * ONSET_RATE) / period;
const usual = (period: number): number =>
  Math.exp(-0.5 * (Math.log2(tempoOf(period) / USUAL_TEMPO) / USUAL_SPREAD) ** 2);

/** After how many hundredths of a second the sound is most like itself, for a tempo that is usual. */
function likelyPeriod(strength: Float64Array): number {
  let best = 0;
  let most = -Infinity;
  for (let period = (60 * ONSET_RATE) / FASTEST; period <= (60 * ONSET_RATE) / SLOWEST; period += 0.25) {
    const alike = [1, 2, 4].reduce((sum, times) => sum + likenessAt(strength, period * times) / times, 0);
    const score = alike * usual(period);
    if (score > most) [best, most] = [period, score];
  }
  return best;
}

/** Twice as fast where what lies between the beats is about as strong, half as fast where every other beat is weak. */
function settledPeriod(strength: Float64Array, period: number): number {
  const weights = (beats: readonly number[], share: number): number =>
    beats.slice(1).reduce((sum, beat, at) => {
      const before = beats[at] ?? 0;
      return sum + strongest(strength, before + (beat - before) * share);
    }, 0) / Math.max(1, beats.length - 1);
  const beats = trackBeats(strength, period);
  const [on, between] = [weights(beats, 1), weights(beats, 0.5)];
  if (between > on * HALF_IS_BEAT && tempoOf(period / 2) <= FASTEST && tempoOf(period) < RATHER_SLOW) return period / 2;
  const [even, odd] = [0, 1].map((parity) =>
    mean(beats.filter((_, at) => at % 2 === parity).map((beat) => strongest(strength, beat))),
  );
  const weaker = Math.min(even ?? 0, odd ?? 0) / Math.max(1e-9, even ?? 0, odd ?? 0);
  if (weaker < OTHER_IS_NONE && tempoOf(period * 2) >= SLOWEST && tempoOf(period) > RATHER_FAST) return period * 2;
  return period;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
const strongest = (strength: Float64Array, at: number): number => {
  const middle = Math.round(at);
  return Math.max(...[-2, -1, 0, 1, 2].map((by) => strength[middle + by] ?? 0));
};

/** The frames of beats that are strong and evenly apart: the best of all ways through, found from its end (Ellis 2007). */
function trackBeats(strength: Float64Array, period: number): number[] {
  const count = strength.length;
  const spread = Math.sqrt(mean([...strength].map((value) => value * value))) || 1;
  const score = new Float64Array(count);
  const before = new Int32Array(count).fill(-1);
  const [nearest, farthest] = [Math.round(period / 2), Math.round(period * 2)];
  const cost = Float64Array.from({ length: farthest + 1 }, (_, gap) =>
    gap === 0 ? Infinity : TIGHTNESS * Math.log(gap / period) ** 2,
  );
  for (let at = 0; at < count; at++) {
    const own = (strength[at] ?? 0) / spread;
    let best = 0;
    for (let gap = nearest; gap <= farthest && gap <= at; gap++) {
      const reached = (score[at - gap] ?? 0) - (cost[gap] ?? Infinity);
      if (reached > best) [best, before[at]] = [reached, at - gap];
    }
    score[at] = own + best;
  }
  let at = lastBest(score, Math.round(period));
  const beats: number[] = [];
  while (at >= 0) {
    beats.push(at);
    at = before[at] ?? -1;
  }
  return beats.reverse();
}

/** The best end among the last beat's time. */
function lastBest(score: Float64Array, period: number): number {
  let best = score.length - 1;
  for (let at = Math.max(0, score.length - period); at < score.length; at++)
    if ((score[at] ?? 0) > (score[best] ?? 0)) best = at;
  return best;
}

/** The strongest onset beside a beat, between two frames. */
function peakNear(strength: Float64Array, frame: number): number {
  let best = frame;
  for (let at = frame - 3; at <= frame + 3; at++) if ((strength[at] ?? 0) > (strength[best] ?? 0)) best = at;
  const [left, middle, right] = [strength[best - 1] ?? 0, strength[best] ?? 0, strength[best + 1] ?? 0];
  const bend = left - 2 * middle + right;
  return bend < 0 ? best + (0.5 * (left - right)) / bend : best;
}

/** How far beats are apart, by the straight line that is nearest to all of them. */
function slope(beats: readonly number[]): number {
  const middle = (beats.length - 1) / 2;
  const level = mean(beats);
  const [over, under] = beats.reduce(
    ([sum, squares], beat, at) => [sum + (at - middle) * (beat - level), squares + (at - middle) ** 2],
    [0, 0],
  );
  return over / under;
}
