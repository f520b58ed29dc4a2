import { STAYING } from "../../core/sound/stepsBack";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { type SoundFacts } from "../../core/document/facts";
import { type Lanes, tuneLanes } from "../../core/document/lanes";
import { mixOf } from "../../core/sound/mix";
import { type Mix, type SoundVersion } from "../../core/sound/mixedPiece";
import { millis } from "../../core/units";
import { runProgram } from "../media/program";
import { readLoudness } from "../media/soundIngest";
import { SOUND_FORMAT, writeSound } from "./soundFile";
import { AS_MIXED } from "../../core/sound/finish";

/** The mixed bed against ffmpeg's own measurements: ebur128 (EBU R 128) and ffprobe. */
const LENGTH = 15_000;
const limit = { timeLimitMs: 60_000 };
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

async function measured(path: string): Promise<{ loudness: number | null; peak: number | null }> {
  const { stderr } = await runProgram(
    "ffmpeg",
    ["-v", "info", "-nostats", "-i", path, "-af", "ebur128=peak=true", "-f", "null", "-"],
    limit,
  );
  return readLoudness(stderr);
}

async function mixed(tune: string | null, lanes: Lanes = tuneLanes("t")): Promise<string> {
  const about = tune ? await measured(tune) : { loudness: null, peak: null };
  const facts: SoundFacts = { kind: "sound", id: "t", name: "t", length: 0, ...about };
  const sounding = { lanes: tune ? lanes : {}, scenes: [] };
  const mix = mixOf(
    sounding,
    { t: facts },
    { plan: ONE_OFFER.sound, length: LENGTH, stepsBack: STAYING, finish: AS_MIXED },
  );
  return written(mix, () => samplesOfFile(tune ?? ""));
}

/** What is heard of a mix as a WAV file that ffmpeg measures. */
async function written(mix: Mix, fileOf: (version: SoundVersion) => Promise<string>): Promise<string> {
  const raw = join(folder, "mixed.f32");
  await writeSound(raw, mix, { fileOf, count: LENGTH * 48 });
  const path = join(folder, "mixed.wav");
  await runProgram(
    "ffmpeg",
    ["-v", "error", "-y", "-nostdin", ...SOUND_FORMAT, "-i", raw, "-c:a", "pcm_f32le", path],
    limit,
  );
  return path;
}

/** A file's sound as it is kept. */
async function samplesOfFile(path: string): Promise<string> {
  const to = join(folder, "kept.s16le");
  await runProgram("ffmpeg", ["-v", "error", "-y", "-i", path, "-ar", "48000", "-ac", "2", "-f", "s16le", to], limit);
  return to;
}

async function tuneOf(source: string): Promise<string> {
  const path = join(folder, "tune.wav");
  await runProgram("ffmpeg", ["-v", "error", "-y", "-f", "lavfi", "-i", source, "-ac", "2", path], limit);
  return path;
}

test("EBU Tech 3341, case 1: a stereo sine of 1 kHz at −23 dBFS measures −23.0 ± 0.1 LUFS", async () => {
  const { loudness } = await measured(
    await tuneOf("aevalsrc=0.0707946*sin(2*PI*1000*t)|0.0707946*sin(2*PI*1000*t):d=20:s=48000"),
  );
  expect(Math.abs((loudness ?? 0) + 23)).toBeLessThanOrEqual(0.1);
});

test("a tune comes out at −14 LUFS, peaks under −1 dBTP, exactly as long as the promotion", async () => {
  const path = await mixed(await tuneOf("anoisesrc=c=pink:a=0.2:d=30:r=44100:seed=7"));
  const { loudness, peak } = await measured(path);
  // Fades take a little off the whole.
  expect(Math.abs((loudness ?? 0) + 14)).toBeLessThan(1);
  expect(peak ?? 0).toBeLessThanOrEqual(-1);
  const { stdout } = await runProgram(
    "ffprobe",
    ["-v", "error", "-show_entries", "stream=duration_ts,sample_rate,channels", "-of", "csv=p=0", path],
    limit,
  );
  expect(stdout.trim()).toBe("48000,2,720000");
});

test("it fades in from silence and out to silence", async () => {
  const path = await mixed(await tuneOf("anoisesrc=c=pink:a=0.2:d=30:r=48000:seed=7"));
  const volume = async (start: number, length: number): Promise<number> => {
    const { stderr } = await runProgram(
      "ffmpeg",
      [
        "-v",
        "info",
        "-nostats",
        "-ss",
        String(start),
        "-t",
        String(length),
        "-i",
        path,
        "-af",
        "volumedetect",
        "-f",
        "null",
        "-",
      ],
      limit,
    );
    return Number(/mean_volume: (-?[\d.]+|-inf) dB/.exec(stderr)?.[1]);
  };
  const [opening, middle, closing] = [await volume(0, 0.05), await volume(7, 1), await volume(14.95, 0.05)];
  expect(opening).toBeLessThan(middle - 20);
  expect(closing).toBeLessThan(middle - 20);
});

test("a tune shorter than the promotion is followed by silence; no tune is silence", async () => {
  expect((await measured(await mixed(null))).loudness).toBeNull();
  const path = await mixed(await tuneOf("sine=f=440:d=3"));
  const { stderr } = await runProgram(
    "ffmpeg",
    ["-v", "info", "-nostats", "-i", path, "-af", "silencedetect=n=-60dB:d=5", "-f", "null", "-"],
    limit,
  );
  expect(Number(/silence_start: ([\d.]+)/.exec(stderr)?.[1])).toBeCloseTo(3, 0);
});

test("pieces lie where they were put, to the sample: a click in a sound is heard at its time, and again where it loops", async () => {
  // One click, 0.1 s into a sound of half a second.
  const click = await tuneOf("aevalsrc=if(eq(n\\,4800)\\,0.5\\,0):d=0.5:s=48000");
  const lanes: Lanes = {
    once: { order: "a0", lane: "effects", media: "t", at: millis(2000), length: millis(400) },
    cut: { order: "a1", lane: "effects", media: "t", at: millis(5000), from: millis(50), length: millis(400) },
    twice: { order: "a2", lane: "effects", media: "t", at: millis(10_000), length: millis(1000), loop: true },
  };
  const path = await mixed(click, lanes);
  const raw = join(folder, "mixed.f32");
  await runProgram("ffmpeg", ["-v", "error", "-y", "-i", path, "-ac", "1", "-f", "f32le", raw], limit);
  const bytes = await readFile(raw);
  const samples = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4);
  const heard = [...samples.entries()].filter(([, sample]) => Math.abs(sample) > 0.05).map(([at]) => at);
  expect(heard).toEqual([2100, 5050, 10_100, 10_600].map((ms) => ms * 48));
  expect(samples).toHaveLength(LENGTH * 48);
});

test("three pieces of a sound are mixed as ffmpeg's own filters mix them: trimmed, gained, faded, delayed, looped, summed", async () => {
  // Quiet enough that nothing is turned down.
  const tune = await tuneOf("anoisesrc=c=pink:a=0.2:d=4:r=48000:seed=7");
  const lanes: Lanes = {
    bed: { order: "a0", lane: "music", media: "t", gain: -3, fadeIn: millis(500), fadeOut: millis(2000) },
    cut: {
      order: "a1",
      lane: "effects",
      media: "t",
      at: millis(2000),
      from: millis(700),
      length: millis(1500),
      gain: -6,
    },
    loop: { order: "a2", lane: "effects", media: "t", at: millis(6000), gain: -9, fadeIn: millis(250), loop: true },
  };
  const facts: SoundFacts = { kind: "sound", id: "t", name: "t", length: 4000, loudness: null, peak: null };
  const mix = mixOf(
    { lanes, scenes: [] },
    { t: facts },
    { plan: ONE_OFFER.sound, length: LENGTH, stepsBack: STAYING, finish: AS_MIXED },
  );
  const own = await floats(await written(mix, () => samplesOfFile(tune)));
  const kept = join(folder, "kept.s16le");
  const input = ["-f", "s16le", "-ar", "48000", "-ac", "2"];
  const graph = [
    "[0:a]volume=-3dB,apad=whole_len=720000,afade=t=in:d=0.5:curve=tri,afade=t=out:st=13:d=2:curve=tri[bed]",
    "[1:a]atrim=start=0.7:duration=1.5,asetpts=PTS-STARTPTS,volume=-6dB,adelay=delays=96000S:all=1[cut]",
    "[2:a]volume=-9dB,atrim=duration=9,afade=t=in:d=0.25:curve=tri,adelay=delays=288000S:all=1[loop]",
    "[bed][cut][loop]amix=inputs=3:duration=longest:normalize=0,atrim=end_sample=720000[all]",
  ].join(";");
  const path = join(folder, "by-ffmpeg.wav");
  const sources = [...input, "-i", kept, ...input, "-i", kept, "-stream_loop", "-1", ...input, "-i", kept];
  const out = ["-map", "[all]", "-c:a", "pcm_f32le", path];
  await runProgram("ffmpeg", ["-v", "error", "-y", ...sources, "-filter_complex", graph, ...out], limit);
  const theirs = await floats(path);
  expect(own).toHaveLength(theirs.length);
  const apart = own.reduce((most, sample, at) => Math.max(most, Math.abs(sample - (theirs[at] ?? 0))), 0);
  const loudest = own.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
  expect(loudest).toBeGreaterThan(0.01);
  // A quarter of what 16 bits can tell apart.
  expect(apart).toBeLessThan(0.25 / 32768);
});

test("two loud pieces at once stay under −1 dBTP", async () => {
  const loud = await tuneOf("aevalsrc=0.8*sin(2*PI*997*t)|0.8*sin(2*PI*997*t):d=10:s=48000");
  const at = { lane: "effects", media: "t", gain: 0 } as const;
  const lanes: Lanes = { one: { ...at, order: "a0" }, other: { ...at, order: "a1", at: millis(3000) } };
  const facts: SoundFacts = { kind: "sound", id: "t", name: "t", length: 10_000, loudness: null, peak: null };
  const mix = mixOf(
    { lanes, scenes: [] },
    { t: facts },
    { plan: ONE_OFFER.sound, length: LENGTH, stepsBack: STAYING, finish: AS_MIXED },
  );
  const { peak } = await measured(await written(mix, () => samplesOfFile(loud)));
  expect(peak).toBeLessThanOrEqual(-1);
  expect(peak).toBeGreaterThan(-2);
});

async function floats(path: string): Promise<Float32Array> {
  const raw = `${path}.f32`;
  await runProgram("ffmpeg", ["-v", "error", "-y", "-i", path, "-map", "0:a", "-f", "f32le", raw], limit);
  const bytes = await readFile(raw);
  return new Float32Array(bytes.buffer, bytes.byteOffset, Math.floor(bytes.length / 4));
}
