import { open, readFile } from "node:fs/promises";
import { join } from "node:path";
import { type NeededSamples } from "../../core/sound/mixSamples";
import { waveformPeaks } from "../../core/sound/peaks";
import { BYTES_PER_SAMPLE, SAMPLE_RATE, type SoundSamples, readSamples } from "../../core/sound/samples";
import { originalKey, samplesKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { SAFE_INPUT, runProgram } from "./program";
import { sniffType } from "./sniff";
import { inWorkFolder } from "../workFolder";

const TIME_LIMIT_MS = 5 * 60_000;
const SHAPE_RATE = 8000;
/** Levels a second, and of how many minutes at most: longer sounds have coarser ones. */
const LEVELS_A_SECOND = 20;
const MOST_LEVELS = 6000;

/** The format of kept samples, as ffmpeg is told it. */
export const SAMPLES = ["-f", "s16le", "-ar", String(SAMPLE_RATE), "-ac", "2"] as const;

/** Writes the sound of a file as samples that the browser and the server mix alike. The first is heard with its first frame. */
async function makeSamples({ path, type }: Pick<BroughtFile, "path" | "type">, to: string): Promise<void> {
  const input = ["-v", "error", "-y", "-nostdin", ...SAFE_INPUT, "-f", type.demuxer, "-i", path, "-map", "0:a:0"];
  const inTime = `aresample=${SAMPLE_RATE}:async=1:first_pts=0`;
  await runProgram("ffmpeg", [...input, "-af", inTime, ...SAMPLES, to], { timeLimitMs: TIME_LIMIT_MS });
}

/** The file that holds the samples of an item's sound, made when it is first asked for. */
export async function samplesPath({ sha256, name }: Pick<BroughtFile, "sha256" | "name">): Promise<string> {
  const key = samplesKey(sha256);
  if (!(await store().has(key))) {
    await inWorkFolder("samples", async (folder) => {
      const path = await store().local(originalKey(sha256));
      const made = join(folder, "samples");
      await makeSamples({ path, type: await sniffType(path, name) }, made);
      await store().keep(key, made);
    });
  }
  return store().local(key);
}

/** The samples of a kept sound that are needed. */
export async function samplesOf(path: string, { from, to }: NeededSamples): Promise<SoundSamples> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const [start, end] = [from * BYTES_PER_SAMPLE, to === null ? size : Math.min(size, to * BYTES_PER_SAMPLE)];
    const bytes = new Uint8Array(Math.max(0, end - start));
    const { bytesRead } = await file.read(bytes, 0, bytes.length, start);
    return readSamples(bytes.subarray(0, bytesRead), from);
  } finally {
    await file.close();
  }
}

/** What a sound looks like from its start to its end. */
export interface SoundShape {
  /** How long its samples last. */
  readonly seconds: number;
  readonly levels: readonly number[];
  readonly peaks: readonly number[];
}

/** @param bars how many peaks are wanted */
export async function soundShape(samples: string, folder: string, bars: number): Promise<SoundShape> {
  const coarse = join(folder, "shape.raw");
  const args = ["-v", "error", "-y", "-nostdin", ...SAMPLES, "-i", samples];
  const wanted = ["-ac", "1", "-ar", String(SHAPE_RATE), "-f", "s16le", coarse];
  await runProgram("ffmpeg", [...args, ...wanted], { timeLimitMs: TIME_LIMIT_MS });
  const bytes = await readFile(coarse);
  const pcm = new Int16Array(bytes.buffer, bytes.byteOffset, Math.floor(bytes.length / 2));
  const seconds = pcm.length / SHAPE_RATE;
  return {
    seconds,
    levels: waveformPeaks(pcm, Math.min(MOST_LEVELS, Math.ceil(seconds * LEVELS_A_SECOND))),
    peaks: waveformPeaks(pcm, bars),
  };
}
