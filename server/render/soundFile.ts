import { open } from "node:fs/promises";
import { heardSamples } from "../../core/sound/heardSamples";
import { neededSamples } from "../../core/sound/mixSamples";
import { type Mix, type SoundVersion } from "../../core/sound/mixedPiece";
import { SAMPLE_RATE, type SoundSamples, type Stereo } from "../../core/sound/samples";
import { samplesOf } from "../media/soundSamples";

/** How ffmpeg is told what `writeSound` writes. */
export const SOUND_FORMAT = ["-f", "f32le", "-ar", String(SAMPLE_RATE), "-ac", "2"] as const;

/**
 * Writes what is heard of a promotion: 32-bit samples, left before right.
 *
 * @param fileOf where the samples of a sound are kept
 * @param count how many samples are written
 */
export async function writeSound(
  path: string,
  mix: Mix,
  { fileOf, count }: { readonly fileOf: (version: SoundVersion) => Promise<string>; readonly count: number },
): Promise<void> {
  const sounds = new Map<string, SoundSamples>();
  for (const [name, needed] of neededSamples(mix))
    sounds.set(name, await samplesOf(await fileOf(needed.version), needed));
  const file = await open(path, "w");
  try {
    for (const block of heardSamples(mix, (name) => sounds.get(name) ?? null, count)) await file.write(inTurns(block));
  } finally {
    await file.close();
  }
}

/** Both channels in one, as files have them. */
function inTurns({ left, right }: Stereo): Uint8Array {
  const both = new Float32Array(left.length * 2);
  for (let at = 0; at < left.length; at++) {
    both[at * 2] = left[at] ?? 0;
    both[at * 2 + 1] = right[at] ?? 0;
  }
  return new Uint8Array(both.buffer);
}
