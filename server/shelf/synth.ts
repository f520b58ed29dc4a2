import { wavBytes } from "../../core/sound/wavBytes";
import { type Random } from "./random";

export const SAMPLE_RATE = 48000;

/** Two channels of samples from −1 to 1. */
export interface Stereo {
  readonly left: Float32Array;
  readonly right: Float32Array;
}

export const silence = (seconds: number): Stereo => ({
  left: new Float32Array(Math.ceil(seconds * SAMPLE_RATE)),
  right: new Float32Array(Math.ceil(seconds * SAMPLE_RATE)),
});

/** Frequency of a MIDI note number (69 is 440 Hz). */
export const frequency = (note: number): number => 440 * 2 ** ((note - 69) / 12);

/** Adds a sample where it is; what is past the end is cut off. @param pan from left (−1) to right (1) */
export function add({ left, right }: Stereo, at: number, sample: number, pan: number): void {
  if (at >= left.length) return;
  left[at] = (left[at] ?? 0) + sample * Math.cos(((pan + 1) * Math.PI) / 4);
  right[at] = (right[at] ?? 0) + sample * Math.sin(((pan + 1) * Math.PI) / 4);
}

/** A plucked string, by the Karplus–Strong algorithm (1983): a burst of noise in a loop that loses its highs. */
export function pluck(
  track: Stereo,
  start: number,
  note: number,
  seconds: number,
  gain: number,
  pan: number,
  random: Random,
): void {
  const period = SAMPLE_RATE / frequency(note);
  const loop = new Float32Array(Math.floor(period));
  let smooth = 0;
  for (let index = 0; index < loop.length; index++) loop[index] = smooth = 0.5 * smooth + 0.5 * random.between(-1, 1);
  const begin = Math.round(start * SAMPLE_RATE);
  for (let index = 0; index < seconds * SAMPLE_RATE; index++) {
    const here = index % loop.length;
    const value = loop[here] ?? 0;
    loop[here] = 0.9965 * 0.5 * (value + (loop[(here + 1) % loop.length] ?? 0));
    add(track, begin + index, value * gain * Math.min(1, (seconds * SAMPLE_RATE - index) / 2400), pan);
  }
}

/** A soft held tone of a few partials that swells and fades. */
export function pad(track: Stereo, start: number, note: number, seconds: number, gain: number, pan: number): void {
  const begin = Math.round(start * SAMPLE_RATE);
  const step = (2 * Math.PI * frequency(note)) / SAMPLE_RATE;
  const length = seconds * SAMPLE_RATE;
  for (let index = 0; index < length; index++) {
    const swell = Math.sin((Math.PI * index) / length) ** 0.7;
    const drift = 1 + 0.0012 * Math.sin((index / SAMPLE_RATE) * 2 * Math.PI * 0.4);
    const phase = step * index * drift;
    add(
      track,
      begin + index,
      gain * swell * (Math.sin(phase) + 0.4 * Math.sin(2 * phase + 1) + 0.12 * Math.sin(3 * phase)),
      pan,
    );
  }
}

/** A round bass note. */
export function bass(track: Stereo, start: number, note: number, seconds: number, gain: number): void {
  const begin = Math.round(start * SAMPLE_RATE);
  const step = (2 * Math.PI * frequency(note)) / SAMPLE_RATE;
  for (let index = 0; index < seconds * SAMPLE_RATE; index++) {
    const decay =
      Math.exp((-2.2 * index) / SAMPLE_RATE) *
      Math.min(1, index / 480) *
      Math.min(1, (seconds * SAMPLE_RATE - index) / 1200);
    add(track, begin + index, gain * decay * (Math.sin(step * index) + 0.25 * Math.sin(2 * step * index)), 0);
  }
}

/** A wooden tick (`bright` near 1) or a soft thud (near 0). */
export function tap(track: Stereo, start: number, bright: number, gain: number, pan: number, random: Random): void {
  const begin = Math.round(start * SAMPLE_RATE);
  const pitch = 90 + 900 * bright;
  for (let index = 0; index < 0.12 * SAMPLE_RATE; index++) {
    const decay = Math.exp((-index / SAMPLE_RATE) * (28 + 60 * bright));
    add(
      track,
      begin + index,
      gain *
        decay *
        (0.8 * Math.sin((2 * Math.PI * pitch * index) / SAMPLE_RATE) + 0.3 * bright * random.between(-1, 1)),
      pan,
    );
  }
}

/** A small room: three damped echoes that cross over, mixed under the dry sound. */
export function room(track: Stereo): Stereo {
  const wet = { left: Float32Array.from(track.left), right: Float32Array.from(track.right) };
  for (const [delay, gain] of [
    [0.031, 0.26],
    [0.067, 0.2],
    [0.121, 0.14],
    [0.233, 0.09],
  ] as const) {
    const offset = Math.round(delay * SAMPLE_RATE);
    for (let index = offset; index < track.left.length; index++) {
      wet.left[index] = (wet.left[index] ?? 0) + gain * (track.right[index - offset] ?? 0);
      wet.right[index] = (wet.right[index] ?? 0) + gain * (track.left[index - offset] ?? 0);
    }
  }
  return wet;
}

const PEAK = 0.708;

/** A 16-bit WAV file, brought to a peak of −3 dBFS. */
export function wavFile({ left, right }: Stereo): Buffer {
  let peak = 1e-9;
  for (const channel of [left, right]) for (const sample of channel) peak = Math.max(peak, Math.abs(sample));
  return Buffer.from(wavBytes([left, right], SAMPLE_RATE, PEAK / peak).buffer);
}
