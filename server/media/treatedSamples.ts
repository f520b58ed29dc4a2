import { rename } from "node:fs/promises";
import { join } from "node:path";
import { decibelsOf } from "../../core/sound/decibels";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { type Character, type Cleaning, type Treatment } from "../../core/sound/treatment";
import { filteredInStep } from "./filteredInStep";
import { SAFE_INPUT, runProgram } from "./program";
import { readLoudness } from "./soundIngest";
import { SAMPLES, samplesOf } from "./soundSamples";

const TIME_LIMIT_MS = 5 * 60_000;
/** The noise of a room is looked for in so much of a sound, in seconds. */
const LOOKED_AT = 120;

/** What mains hum is made of: 50 and 60 Hz with their first multiples, each taken out as narrowly as leaves a voice whole. */
const HUM = [50, 100, 150, 200, 60, 120, 180, 240].map((hertz) => `bandreject=f=${hertz}:width_type=h:w=5`).join(",");

/** How each is cleaned. @param floor how loud it is where nobody speaks, in dBFS */
const cleaning = (floor: number): Readonly<Record<Cleaning, string>> => ({
  hum: `highpass=f=45,${HUM}`,
  hiss: `afftdn=nr=20:nf=${Math.max(-80, Math.min(-20, floor + 3)).toFixed(1)}`,
  // What is 40 dB under full scale and softer is turned down to a sixteenth.
  gate: "agate=threshold=0.012:range=0.06:ratio=6:attack=4:release=160",
  even: "dynaudnorm=f=200:g=11:p=0.6:m=8",
});

const HEARD_AS: Readonly<Record<Character, string>> = {
  deeper: "rubberband=pitch=0.82",
  lighter: "rubberband=pitch=1.2",
  // The band that telephones carry: 300 to 3400 Hz (ITU-T G.712).
  telephone: "highpass=f=300:p=2,highpass=f=300:p=2,lowpass=f=3400:p=2,lowpass=f=3400:p=2",
  room: "aecho=0.9:0.9:19|37|61|89:0.34|0.26|0.19|0.12",
};

/** Writes samples as they are worked on: as many as there were, in step with them, and as loud on the whole. */
export async function treat(
  { cleaned, character }: Treatment,
  { path, folder, to }: { readonly path: string; readonly folder: string; readonly to: string },
): Promise<void> {
  const by = cleaning(cleaned.includes("hiss") ? await noiseFloor(path) : 0);
  const steps = [...cleaned.map((one) => by[one]), ...(character === null ? [] : [HEARD_AS[character]])];
  const worked = join(folder, "worked");
  await filteredInStep({ path, folder, to: worked, tempo: 1, filter: steps.join(",") });
  const [before, after] = [await loudness(path), await loudness(worked)];
  if (before === null || after === null) {
    await rename(worked, to);
    return;
  }
  // Kept under full scale: these are samples of 16 bits.
  const level = `volume=${(before - after).toFixed(2)}dB,alimiter=limit=0.98:level=disabled:latency=1`;
  const input = ["-v", "error", "-y", "-nostdin", ...SAFE_INPUT, ...SAMPLES, "-i", worked];
  await runProgram("ffmpeg", [...input, "-af", level, ...SAMPLES, to], { timeLimitMs: TIME_LIMIT_MS });
}

/** What is softer is no noise of a room but silence that was put there, in dBFS. */
const SILENCE = -95;

/** How loud the softest fifth of a second is in which something is heard, in dBFS: where nobody speaks. */
async function noiseFloor(path: string): Promise<number> {
  const { left } = await samplesOf(path, { from: 0, to: LOOKED_AT * SAMPLE_RATE });
  const step = SAMPLE_RATE / 5;
  const levels = Array.from({ length: Math.floor(left.length / step) }, (_, at) => {
    const part = left.subarray(at * step, (at + 1) * step);
    return decibelsOf(Math.sqrt(part.reduce((sum, sample) => sum + sample * sample, 0) / step));
  });
  return levels.filter((level) => level > SILENCE).reduce((least, level) => Math.min(least, level), -20);
}

async function loudness(path: string): Promise<number | null> {
  const input = ["-v", "info", "-nostats", "-nostdin", ...SAFE_INPUT, ...SAMPLES, "-i", path];
  const { stderr } = await runProgram("ffmpeg", [...input, "-af", "ebur128", "-f", "null", "-"], {
    timeLimitMs: TIME_LIMIT_MS,
  });
  return readLoudness(stderr).loudness;
}
