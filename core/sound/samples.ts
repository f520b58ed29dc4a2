import { TICKS_PER_SECOND, type Ticks } from "../time/ticks";

/** Samples a second of everything that is mixed. */
export const SAMPLE_RATE = 48_000;
const TICKS_PER_SAMPLE = TICKS_PER_SECOND / SAMPLE_RATE;

/** The sample that is heard at a time. */
export const sampleAt = (time: Ticks): number => Math.round(time / TICKS_PER_SAMPLE);

/** Milliseconds as samples, a fraction of one where it is between two. */
export const samplesIn = (ms: number): number => (ms * SAMPLE_RATE) / 1000;

/** Samples of two channels, −1 to 1. */
export interface Stereo {
  readonly left: Float32Array;
  readonly right: Float32Array;
}

/** A stretch of a sound. */
export interface SoundSamples extends Stereo {
  /** The number of its first sample, counted in the sound. */
  readonly first: number;
}

/** Bytes of a sample of both channels, as sounds are kept: signed 16-bit, little-endian, left before right. */
export const BYTES_PER_SAMPLE = 4;

/** Reads kept samples. @param first the number of the first of them, counted in the sound */
export function readSamples(bytes: Uint8Array, first: number): SoundSamples {
  const count = Math.floor(bytes.length / BYTES_PER_SAMPLE);
  const view = new DataView(bytes.buffer, bytes.byteOffset, count * BYTES_PER_SAMPLE);
  const [left, right] = [new Float32Array(count), new Float32Array(count)];
  for (let at = 0; at < count; at++) {
    left[at] = view.getInt16(at * BYTES_PER_SAMPLE, true) / 32768;
    right[at] = view.getInt16(at * BYTES_PER_SAMPLE + 2, true) / 32768;
  }
  return { first, left, right };
}
