import { createReadStream, createWriteStream } from "node:fs";
import { stat, truncate } from "node:fs/promises";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { envelopeOf, stepsLate } from "../../core/sound/alignment";
import { BYTES_PER_SAMPLE, SAMPLE_RATE } from "../../core/sound/samples";
import { SAFE_INPUT, runProgram } from "./program";
import { SAMPLES, samplesOf } from "./soundSamples";

const TIME_LIMIT_MS = 10 * 60_000;
/** Silence around a sound, so that nothing of it is lost where a filter gives it early or late. In seconds. */
const MARGIN = 1;
/** So much of a sound says how early or late it is given, by how loud it is in each 200th of a second. */
const LOOKED_AT = 60;
const STEPS_A_SECOND = 200;
const MOST_LATE = 0.4;

/** What is done to samples, and where they come from and go. */
export interface Filtering {
  readonly path: string;
  /** ffmpeg's words for it. */
  readonly filter: string;
  /** How many times as fast that makes it. */
  readonly tempo: number;
  /** For what lies between. */
  readonly folder: string;
  readonly to: string;
}

/**
 * Writes what a filter makes of samples: exactly 1 / `tempo` as many as there are, each heard when it is to be within a
 * frame, however early or late the filter gives them.
 */
export async function filteredInStep({ path, filter, tempo, folder, to }: Filtering): Promise<void> {
  const raw = join(folder, "filtered");
  const silence = `anullsrc=r=${SAMPLE_RATE}:cl=stereo:d=${MARGIN}`;
  const graph = `${silence}[lead];${silence}[tail];[lead][0:a][tail]concat=n=3:v=0:a=1,${filter}`;
  const input = ["-v", "error", "-y", "-nostdin", ...SAFE_INPUT, ...SAMPLES, "-i", path];
  await runProgram("ffmpeg", [...input, "-filter_complex", graph, ...SAMPLES, raw], { timeLimitMs: TIME_LIMIT_MS });
  const { size } = await stat(path);
  const wanted = Math.round(size / BYTES_PER_SAMPLE / tempo) * BYTES_PER_SAMPLE;
  const late = await samplesLate({ filtered: raw, path, tempo });
  const start = Math.round((MARGIN * SAMPLE_RATE) / tempo + late) * BYTES_PER_SAMPLE;
  await pipeline(createReadStream(raw, { start, end: start + wanted - 1 }), createWriteStream(to));
  await truncate(to, wanted);
}

/** By how many samples what comes out of the filter comes later than it should: earlier where there are less than none. */
async function samplesLate({
  filtered,
  path,
  tempo,
}: {
  readonly filtered: string;
  readonly path: string;
  readonly tempo: number;
}): Promise<number> {
  const step = SAMPLE_RATE / STEPS_A_SECOND;
  const margin = Math.round((MARGIN * SAMPLE_RATE) / tempo);
  const own = await samplesOf(path, { from: 0, to: LOOKED_AT * SAMPLE_RATE });
  const made = await samplesOf(filtered, { from: 0, to: Math.round(margin + own.left.length / tempo + margin) });
  const steps = Math.round(margin / step);
  // With the silence that stands before it, on the clock of what was made.
  const reference = Float64Array.from([...new Float64Array(steps), ...envelopeOf(own.left, step * tempo)]);
  return (
    stepsLate(envelopeOf(made.left.subarray(margin - steps * step), step), reference, MOST_LATE * STEPS_A_SECOND) * step
  );
}
