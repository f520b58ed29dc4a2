import { createReadStream, createWriteStream } from "node:fs";
import { mkdtemp, rm, stat, truncate } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { SPEEDS } from "../../core/document/shots";
import { envelopeOf, stepsLate } from "../../core/sound/alignment";
import { BYTES_PER_SAMPLE, SAMPLE_RATE } from "../../core/sound/samples";
import { stretchedKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { SAFE_INPUT, runProgram } from "./program";
import { SAMPLES, samplesOf, samplesPath } from "./soundSamples";

const TIME_LIMIT_MS = 10 * 60_000;
/** Silence around a sound, so that nothing of it is lost where a stretcher gives it early or late. In seconds. */
const MARGIN = 1;
/** So much of a sound says how early or late it is given, by how loud it is in each 200th of a second. */
const LOOKED_AT = 60;
const STEPS_A_SECOND = 200;
const MOST_LATE = 0.4;

const TEMPO = /^samples-x(\d{1,2}(?:\.\d{1,4})?)$/;

/** How many times as fast the samples of a file name are; null where it names none. */
export function tempoNamed(file: string): number | null {
  const tempo = Number(TEMPO.exec(file)?.[1] ?? Number.NaN);
  return tempo >= SPEEDS.least && tempo <= SPEEDS.most ? tempo : null;
}

/**
 * The file that holds the samples of an item's sound, faster or slower and as high as they were: exactly 1 / `tempo` as many
 * as there are, each heard when it is to be within a frame. Made when it is first asked for.
 */
export async function stretchedPath(item: Pick<BroughtFile, "sha256" | "name">, tempo: number): Promise<string> {
  const key = stretchedKey(item.sha256, tempo);
  if (!(await store().has(key))) {
    const folder = await mkdtemp(join(tmpdir(), "stencilcraft-stretched-"));
    try {
      const made = join(folder, "samples");
      await stretch(await samplesPath(item), { tempo, folder, to: made });
      await store().keep(key, made);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  }
  return store().local(key);
}

async function stretch(
  path: string,
  { tempo, folder, to }: { readonly tempo: number; readonly folder: string; readonly to: string },
): Promise<void> {
  const raw = join(folder, "stretched");
  const silence = `anullsrc=r=${SAMPLE_RATE}:cl=stereo:d=${MARGIN}`;
  const graph = `${silence}[lead];${silence}[tail];[lead][0:a][tail]concat=n=3:v=0:a=1,rubberband=tempo=${tempo}`;
  const input = ["-v", "error", "-y", "-nostdin", ...SAFE_INPUT, ...SAMPLES, "-i", path];
  await runProgram("ffmpeg", [...input, "-filter_complex", graph, ...SAMPLES, raw], { timeLimitMs: TIME_LIMIT_MS });
  const { size } = await stat(path);
  const wanted = Math.round(size / BYTES_PER_SAMPLE / tempo) * BYTES_PER_SAMPLE;
  const late = await samplesLate({ stretched: raw, path, tempo });
  const start = Math.round((MARGIN * SAMPLE_RATE) / tempo + late) * BYTES_PER_SAMPLE;
  await pipeline(createReadStream(raw, { start, end: start + wanted - 1 }), createWriteStream(to));
  await truncate(to, wanted);
}

/** By how many samples what comes out of the stretcher comes later than it should: earlier where there are less than none. */
async function samplesLate({
  stretched,
  path,
  tempo,
}: {
  readonly stretched: string;
  readonly path: string;
  readonly tempo: number;
}): Promise<number> {
  const step = SAMPLE_RATE / STEPS_A_SECOND;
  const margin = Math.round((MARGIN * SAMPLE_RATE) / tempo);
  const own = await samplesOf(path, { from: 0, to: LOOKED_AT * SAMPLE_RATE });
  const made = await samplesOf(stretched, { from: 0, to: Math.round(margin + own.left.length / tempo + margin) });
  const steps = Math.round(margin / step);
  // With the silence that stands before it, on the clock of what was made.
  const reference = Float64Array.from([...new Float64Array(steps), ...envelopeOf(own.left, step * tempo)]);
  return (
    stepsLate(envelopeOf(made.left.subarray(margin - steps * step), step), reference, MOST_LATE * STEPS_A_SECOND) * step
  );
}
