import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { finished } from "../../core/sound/finished";
import { loudnessOf } from "../../core/sound/loudness";
import { SAMPLE_RATE, type Stereo } from "../../core/sound/samples";
import { partOf } from "../../core/testing/sample";
import { runProgram } from "../media/program";
import { readLoudness } from "../media/soundIngest";

/**
 * What was made as loud as is asked for, against ffmpeg's `ebur128` (EBU R 128): as samples, and as AAC has it, which is
 * what is posted.
 */
const limit = { timeLimitMs: 60_000 };
const FORMAT = ["-f", "f32le", "-ar", String(SAMPLE_RATE), "-ac", "2"];
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

/** Sounds of ffmpeg's own making: what each is, and the source that it is made by. */
const MIXES: readonly (readonly [what: string, source: string])[] = [
  ["a soft tone", "aevalsrc=0.04*sin(2*PI*440*t)|0.04*sin(2*PI*440*t):d=6"],
  ["a loud tone", "aevalsrc=0.95*sin(2*PI*440*t)|0.95*sin(2*PI*440*t):d=6"],
  ["pink noise", "anoisesrc=c=pink:a=0.3:d=6:seed=3,aformat=channel_layouts=stereo"],
  ["hiss", "anoisesrc=c=white:a=0.9:d=6:seed=4,lowpass=f=9000:p=2,lowpass=f=9000:p=2,aformat=channel_layouts=stereo"],
  ["brown noise", "anoisesrc=c=brown:a=0.8:d=6:seed=5,aformat=channel_layouts=stereo"],
  ["beats", "aevalsrc=0.9*sin(2*PI*90*t)*exp(-18*mod(t\\,0.5))|0.9*sin(2*PI*90*t)*exp(-18*mod(t\\,0.5)):d=6"],
  ["clicks", "aevalsrc=0.99*lt(mod(t\\,1)\\,0.002)+0.03*sin(2*PI*300*t)|0.03*sin(2*PI*300*t):d=6"],
  ["one side only", "aevalsrc=0.4*sin(2*PI*700*t)|0:d=6"],
  [
    "loud, then nearly silent",
    "aevalsrc=sin(2*PI*500*t)*if(lt(t\\,2)\\,0.8\\,0.01)|sin(2*PI*500*t)*if(lt(t\\,2)\\,0.8\\,0.01):d=6",
  ],
  [
    "a sweep",
    "aevalsrc=0.5*sin(2*PI*(100*t+300*t*t))|0.5*cos(2*PI*(100*t+300*t*t)):d=6,afade=d=0.1,afade=t=out:st=5.9:d=0.1",
  ],
];

async function samplesOf(...input: readonly string[]): Promise<Stereo> {
  const raw = join(folder, "read.f32");
  await runProgram("ffmpeg", ["-v", "error", "-y", ...input, "-map", "0:a", ...FORMAT, raw], limit);
  const bytes = await readFile(raw);
  const both = new Float32Array(bytes.buffer, bytes.byteOffset, Math.floor(bytes.length / 4));
  const channel = (first: 0 | 1): Float32Array =>
    Float32Array.from({ length: both.length / 2 }, (_, at) => both[2 * at + first] ?? 0);
  return { left: channel(0), right: channel(1) };
}

async function written({ left, right }: Stereo, codec: readonly string[], name: string): Promise<string> {
  const both = Float32Array.from({ length: left.length * 2 }, (_, at) => (at % 2 === 0 ? left : right)[at >> 1] ?? 0);
  const raw = join(folder, "made.f32");
  await writeFile(raw, new Uint8Array(both.buffer));
  const path = join(folder, name);
  await runProgram("ffmpeg", ["-v", "error", "-y", ...FORMAT, "-i", raw, ...codec, path], limit);
  return path;
}

async function measured(path: string): Promise<{ loudness: number; peak: number }> {
  const graph = ["-af", "ebur128=peak=true", "-f", "null", "-"];
  const { stderr } = await runProgram("ffmpeg", ["-v", "info", "-nostats", "-i", path, ...graph], limit);
  const { loudness, peak } = readLoudness(stderr);
  return { loudness: loudness ?? NaN, peak: peak ?? NaN };
}

const ASKED = [
  { loudness: -14, ceiling: -1 },
  { loudness: -16, ceiling: -1.5 },
  { loudness: -23, ceiling: -2 },
] as const;
const CASES = MIXES.map((mix, at) => [...mix, ASKED[at % ASKED.length] ?? ASKED[0]] as const);

test.each(partOf(CASES, 2))(
  "%s is made as loud as is asked for and stays under the ceiling",
  async (_, source, asked) => {
    const made = finished(await samplesOf("-f", "lavfi", "-i", source), asked).whole;
    const own = loudnessOf(made);
    const theirs = await measured(await written(made, ["-c:a", "pcm_f32le"], "made.wav"));
    expect(Math.abs(theirs.loudness - asked.loudness)).toBeLessThanOrEqual(0.5);
    expect(theirs.peak).toBeLessThanOrEqual(asked.ceiling);
    expect(Math.abs((own.integrated ?? 0) - theirs.loudness)).toBeLessThanOrEqual(0.2);
    expect(Math.abs((own.truePeak ?? 0) - theirs.peak)).toBeLessThanOrEqual(0.3);
    const posted = await measured(await written(made, ["-c:a", "aac", "-b:a", "192k"], "made.m4a"));
    expect(Math.abs(posted.loudness - asked.loudness)).toBeLessThanOrEqual(0.5);
    expect(posted.peak).toBeLessThanOrEqual(asked.ceiling);
  },
);
