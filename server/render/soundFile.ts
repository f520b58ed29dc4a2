import { open } from "node:fs/promises";
import { inOne } from "../../core/sound/finished";
import { heardSamples } from "../../core/sound/heardSamples";
import { type MeasuredMix, measuredMix } from "../../core/sound/measuredMix";
import { neededSamples } from "../../core/sound/mixSamples";
import { type Mix, type SoundVersion } from "../../core/sound/mixedPiece";
import { SAMPLE_RATE, type SoundSamples, type Stereo, sampleAt } from "../../core/sound/samples";
import { ticksOf } from "../../core/time/ticks";
import { samplesOf } from "../media/soundSamples";

/** How ffmpeg is told what `writeSound` writes. */
export const SOUND_FORMAT = ["-f", "f32le", "-ar", String(SAMPLE_RATE), "-ac", "2"] as const;

/** Where the samples of a sound are kept. */
export type SoundFiles = (version: SoundVersion) => string | Promise<string>;

/** The samples that a mix needs, by the names of their sounds. */
async function soundsIn(mix: Mix, fileOf: SoundFiles): Promise<ReadonlyMap<string, SoundSamples>> {
  const sounds = new Map<string, SoundSamples>();
  for (const [name, needed] of neededSamples(mix))
    sounds.set(name, await samplesOf(await fileOf(needed.version), needed));
  return sounds;
}

/** What is measured of all that is heard of a promotion, as `writeSound` writes it. */
export async function measureSound(mix: Mix, fileOf: SoundFiles): Promise<MeasuredMix> {
  const sounds = await soundsIn(mix, fileOf);
  const count = sampleAt(ticksOf(mix.length));
  const { whole, ended } = inOne(
    heardSamples(mix, (name) => sounds.get(name) ?? null, count),
    count,
  );
  return measuredMix(whole, ended);
}

/**
 * Writes what is heard of a promotion: 32-bit samples, left before right.
 *
 * @param fileOf where the samples of a sound are kept
 * @param count how many samples are written
 */
export async function writeSound(
  path: string,
  mix: Mix,
  { fileOf, count }: { readonly fileOf: SoundFiles; readonly count: number },
): Promise<void> {
  const sounds = await soundsIn(mix, fileOf);
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
