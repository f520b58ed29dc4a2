import { join } from "node:path";
import { type SoundFacts } from "../../core/document/facts";
import { readFile } from "node:fs/promises";
import { waveformPeaks } from "../../core/sound/peaks";
import { config } from "../config";
import { soundProxyKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { probe } from "./probe";
import { SAFE_INPUT, runProgram } from "./program";
import { UploadProblem } from "./uploadProblem";

export type IngestedSound = Pick<SoundFacts, "length" | "loudness" | "peak"> & {
  readonly levels: readonly number[];
  readonly peaks: readonly number[];
};

const BARS = 240;
const PEAK_RATE = 8000;
/** Levels a second, and of how many minutes at most: longer sounds have coarser ones. */
const LEVELS_A_SECOND = 20;
const MOST_LEVELS = 6000;

/** Measures a sound (EBU R 128) and makes the copy that browsers play. */
export async function ingestSound({ path, type, sha256, name, folder }: BroughtFile): Promise<IngestedSound> {
  const probed = await probe(path, type, name);
  if (!probed.hasSound) throw new UploadProblem(`“${name}” holds no sound that can be read.`);
  if (probed.length > config().LIMIT_CLIP_SECONDS)
    throw new UploadProblem(`“${name}” is longer than the limit of ${config().LIMIT_CLIP_SECONDS} s.`);
  const proxy = join(folder, "proxy.m4a");
  const input = ["-v", "info", "-nostats", "-y", "-nostdin", ...SAFE_INPUT, "-f", type.demuxer, "-i", path];
  const { stderr } = await runProgram(
    "ffmpeg",
    [...input, "-map", "0:a:0", "-af", "ebur128=peak=true", "-f", "null", "-"],
    { timeLimitMs: 300_000 },
  );
  await runProgram(
    "ffmpeg",
    [
      ...input,
      "-map",
      "0:a:0",
      "-c:a",
      "aac",
      "-b:a",
      "160k",
      "-ar",
      "48000",
      "-ac",
      "2",
      "-movflags",
      "+faststart",
      proxy,
    ],
    { timeLimitMs: 300_000 },
  );
  await store().keep(soundProxyKey(sha256), proxy);
  const samples = join(folder, "samples.raw");
  await runProgram(
    "ffmpeg",
    [...input, "-map", "0:a:0", "-ac", "1", "-ar", String(PEAK_RATE), "-f", "s16le", samples],
    { timeLimitMs: 300_000 },
  );
  const bytes = await readFile(samples);
  const pcm = new Int16Array(bytes.buffer, bytes.byteOffset, Math.floor(bytes.length / 2));
  const peaks = waveformPeaks(pcm, BARS);
  // Files written by a recorder as it goes do not say how long they are; the samples do.
  const seconds = probed.length > 0 ? probed.length : bytes.length / 2 / PEAK_RATE;
  const levels = waveformPeaks(pcm, Math.min(MOST_LEVELS, Math.ceil(seconds * LEVELS_A_SECOND)));
  return { length: Math.round(seconds * 1000), levels, peaks, ...readLoudness(stderr) };
}

/** The summary ffmpeg's ebur128 filter prints. Silence has no loudness. */
export function readLoudness(report: string): { loudness: number | null; peak: number | null } {
  const summary = report.slice(report.lastIndexOf("Summary:"));
  const read = (pattern: RegExp): number | null => {
    const value = Number(pattern.exec(summary)?.[1] ?? NaN);
    return Number.isFinite(value) && value > -70 ? value : null;
  };
  return { loudness: read(/I:\s+(-?[\d.]+|-inf) LUFS/), peak: read(/Peak:\s+(-?[\d.]+|-inf) dBFS/) };
}
