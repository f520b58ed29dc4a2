import { readFile } from "node:fs/promises";
import { ffmpeg } from "./files";

export const RATE = 48_000;

/** The left channel of a file's sound, −1 to 1, at `RATE`. */
export async function samplesOfFile(path: string): Promise<Float32Array> {
  const raw = `${path}.f32`;
  await ffmpeg("-i", path, "-map", "0:a:0", "-af", "pan=mono|c0=c0", "-ar", String(RATE), "-f", "f32le", raw);
  const bytes = await readFile(raw);
  return new Float32Array(bytes.buffer, bytes.byteOffset, Math.floor(bytes.length / 4));
}

/**
 * How high a sine of a frequency is in a stretch of samples, by its Fourier coefficient there.
 * @param from seconds
 */
export function toneIn(samples: Float32Array, hertz: number, [from, to]: readonly [number, number]): number {
  const part = samples.subarray(Math.round(from * RATE), Math.round(to * RATE));
  let [cosine, sine] = [0, 0];
  part.forEach((sample, at) => {
    cosine += sample * Math.cos((2 * Math.PI * hertz * at) / RATE);
    sine += sample * Math.sin((2 * Math.PI * hertz * at) / RATE);
  });
  return (2 * Math.hypot(cosine, sine)) / part.length;
}
