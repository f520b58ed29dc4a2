import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { type SoundFacts } from "../../core/document/facts";
import { type Lanes, tuneLanes } from "../../core/document/lanes";
import { mixOf } from "../../core/sound/mix";
import { millis } from "../../core/units";
import { runProgram } from "../media/program";
import { readLoudness } from "../media/soundIngest";
import { soundInput } from "./soundMix";

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
  const mix = mixOf({ lanes: tune ? lanes : {} }, { t: facts }, { plan: ONE_OFFER.sound, length: LENGTH });
  const { input, graph } = soundInput(mix, () => tune ?? "", 0);
  const path = join(folder, "mixed.wav");
  const out = ["-map", "[sound]", "-ar", "48000", "-ac", "2", path];
  await runProgram("ffmpeg", ["-v", "error", "-y", "-nostdin", ...input, "-filter_complex", graph, ...out], limit);
  return path;
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
