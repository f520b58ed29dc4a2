import FFT from "fft.js";
import { SAMPLE_RATE, type Stereo } from "./samples";

/** Onsets are looked for so many times a second. */
export const ONSET_RATE = 100;
/** Every so many samples are taken together: nothing above 8 kHz is needed to find beats. */
const THINNED = 3;
const RATE = SAMPLE_RATE / THINNED;
const HOP = RATE / ONSET_RATE;
const WINDOW = 1024;
/** How much quiet sounds count beside loud ones. */
const COMPRESSION = 4;
/** Bands evenly apart in pitch, in Hz, so that a drum counts beside a tap of noise that fills all of the treble. */
const [LOWEST, HIGHEST, BANDS] = [40, 8000, 24];
/** Of these, so many are drums and bass, which carry the beat. */
const LOW_BANDS = 7;
/** From the start of a window to where a sound that begins in it makes the most difference, as a share of the window. */
const LATENCY = 0.62;

/** How much begins to be heard at each hundredth of a second; of the lowest tones by themselves too. */
export interface Onsets {
  readonly strength: Float64Array;
  /** The time of the first, in seconds. */
  readonly first: number;
}

/**
 * How strongly something begins to be heard, all through a sound: spectral flux, the rise of each band's logarithmic
 * magnitude (Bello et al., A Tutorial on Onset Detection in Music Signals, 2005), with the lowest bands counted again.
 */
export function onsetsOf({ left, right }: Stereo): Onsets {
  const mono = thinned(left, right);
  const fft = new FFT(WINDOW);
  const window = Float64Array.from({ length: WINDOW }, (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / WINDOW));
  const edges = bandEdges();
  const spectrum = fft.createComplexArray();
  const samples = new Float64Array(WINDOW);
  const count = Math.max(0, Math.floor((mono.length - WINDOW) / HOP) + 1);
  const [all, low] = [new Float64Array(count), new Float64Array(count)];
  const before = new Float64Array(BANDS);
  for (let frame = 0; frame < count; frame++) {
    for (let at = 0; at < WINDOW; at++) samples[at] = (mono[frame * HOP + at] ?? 0) * (window[at] ?? 0);
    fft.realTransform(spectrum, samples);
    let [rise, lowRise] = [0, 0];
    for (let band = 0; band < BANDS; band++) {
      let power = 0;
      for (let bin = edges[band] ?? 0; bin < (edges[band + 1] ?? 0); bin++)
        power += (spectrum[bin * 2] ?? 0) ** 2 + (spectrum[bin * 2 + 1] ?? 0) ** 2;
      const level = Math.log1p(COMPRESSION * Math.sqrt(power));
      const up = frame === 0 ? 0 : Math.max(0, level - (before[band] ?? 0));
      before[band] = level;
      rise += up;
      if (band < LOW_BANDS) lowRise += up;
    }
    [all[frame], low[frame]] = [rise, lowRise];
  }
  return { strength: together(all, low), first: (LATENCY * WINDOW) / RATE };
}

/** The first bin of each band, and the one after the last. Each band has one bin at least. */
function bandEdges(): number[] {
  const edges: number[] = [];
  for (let band = 0; band <= BANDS; band++) {
    const hertz = LOWEST * (HIGHEST / LOWEST) ** (band / BANDS);
    edges.push(Math.max(Math.round((hertz * WINDOW) / RATE), (edges.at(-1) ?? 0) + 1));
  }
  return edges;
}

function thinned(left: Float32Array, right: Float32Array): Float64Array {
  const mono = new Float64Array(Math.floor(left.length / THINNED));
  for (let at = 0; at < mono.length; at++) {
    let sum = 0;
    for (let part = 0; part < THINNED; part++)
      sum += (left[at * THINNED + part] ?? 0) + (right[at * THINNED + part] ?? 0);
    mono[at] = sum / (2 * THINNED);
  }
  return mono;
}

/** Both rises over what is usual around them, each in its own measure. */
function together(all: Float64Array, low: Float64Array): Float64Array {
  const [one, other] = [aboveUsual(all), aboveUsual(low)];
  return one.map((value, at) => value + (other[at] ?? 0));
}

const AROUND = 40;
function aboveUsual(values: Float64Array): Float64Array {
  const sums = new Float64Array(values.length + 1);
  values.forEach((value, at) => (sums[at + 1] = (sums[at] ?? 0) + value));
  const above = values.map((value, at) => {
    const [from, to] = [Math.max(0, at - AROUND), Math.min(values.length, at + AROUND + 1)];
    return Math.max(0, value - ((sums[to] ?? 0) - (sums[from] ?? 0)) / (to - from));
  });
  const spread = Math.sqrt(above.reduce((sum, value) => sum + value * value, 0) / Math.max(1, above.length));
  return spread > 0 ? above.map((value) => value / spread) : above;
}
