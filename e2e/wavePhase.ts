import { RATE } from "./samples";

/** Over so much of it the phase of a wave is told, in seconds. */
const WINDOW = 0.2;

/** The phase of a tone's wave at a time, in turns: over a fifth of a second, counted from the start of the file. */
export function phaseIn(samples: Float32Array, frequency: number, from: number): number {
  let [cosine, sine] = [0, 0];
  for (let at = Math.round(from * RATE); at < Math.round((from + WINDOW) * RATE); at++) {
    cosine += (samples[at] ?? 0) * Math.cos((2 * Math.PI * frequency * at) / RATE);
    sine += (samples[at] ?? 0) * Math.sin((2 * Math.PI * frequency * at) / RATE);
  }
  return Math.atan2(sine, cosine) / (2 * Math.PI);
}

/** How far two phases are apart, in turns. */
export const turnsApart = (one: number, other: number): number => Math.abs(one - other - Math.round(one - other));
