import { join } from "node:path";
import { type SoundFacts } from "../../core/document/facts";
import { beatsOf } from "../../core/sound/beats";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { config } from "../config";
import { soundProxyKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { probe } from "./probe";
import { SAFE_INPUT, runProgram } from "./program";
import { samplesOf, samplesPath, soundShape } from "./soundSamples";
import { UploadProblem } from "./uploadProblem";

export type IngestedSound = Pick<SoundFacts, "length" | "loudness" | "peak"> & {
  readonly levels: readonly number[];
  readonly peaks: readonly number[];
  /** Beats a minute; null where none were found. */
  readonly tempo: number | null;
};

const BARS = 240;
/** The beat is looked for in so much of a sound. */
const LISTENED_SECONDS = 40;

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
  const samples = await samplesPath({ sha256, name });
  const { seconds, ...shape } = await soundShape(samples, folder, BARS);
  const beats = beatsOf(await samplesOf(samples, { from: 0, to: LISTENED_SECONDS * SAMPLE_RATE }));
  // Files written by a recorder as it goes do not say how long they are; the samples do.
  return {
    length: Math.round((probed.length > 0 ? probed.length : seconds) * 1000),
    ...shape,
    ...readLoudness(stderr),
    tempo: beats && Math.round(beats.tempo * 10) / 10,
  };
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
