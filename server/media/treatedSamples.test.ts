import { mkdtemp, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { loudnessOf } from "../../core/sound/loudness";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { type Treatment } from "../../core/sound/treatment";
import { partOf } from "../../core/testing/sample";
import { runProgram } from "./program";
import { SAMPLES, samplesOf } from "./soundSamples";
import { treat } from "./treatedSamples";

/** What a treatment does to sounds that ffmpeg makes, measured in what comes out. */
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

const PLAIN: Treatment = { cleaned: [], character: null };
const SECONDS = 6;

/** Says something for a second, is quiet for a second, and so on: a tone with what is beside it all along. */
const spoken = (hertz: number, beside = "0"): string => `0.25*sin(2*PI*${hertz}*t)*lt(mod(t\\,2)\\,1)+${beside}`;

interface Sounds {
  readonly before: Float32Array;
  readonly after: Float32Array;
}
async function treated(wave: string, treatment: Partial<Treatment>): Promise<Sounds> {
  const [path, to] = [join(folder, "plain"), join(folder, "treated")];
  const source = `aevalsrc=${wave}|${wave}:d=${SECONDS}:s=${SAMPLE_RATE}`;
  await runProgram("ffmpeg", ["-v", "error", "-y", "-f", "lavfi", "-i", source, ...SAMPLES, path], {
    timeLimitMs: 60_000,
  });
  await treat({ ...PLAIN, ...treatment }, { path, folder, to });
  // As many samples as there were.
  expect((await stat(to)).size).toBe((await stat(path)).size);
  const whole = { from: 0, to: null };
  const [before, after] = [await samplesOf(path, whole), await samplesOf(to, whole)];
  const loud = (sound: typeof before): number => loudnessOf(sound).integrated ?? NaN;
  // As loud on the whole as it was.
  expect(Math.abs(loud(after) - loud(before))).toBeLessThan(1);
  return { before: before.left, after: after.left };
}

/** How strong a tone is in a stretch, in decibels, by its Fourier coefficient there. Times in seconds. */
function tone(samples: Float32Array, hertz: number, [from, to]: readonly [number, number]): number {
  const part = samples.subarray(from * SAMPLE_RATE, to * SAMPLE_RATE);
  let [cosine, sine] = [0, 0];
  part.forEach((sample, at) => {
    cosine += sample * Math.cos((2 * Math.PI * hertz * at) / SAMPLE_RATE);
    sine += sample * Math.sin((2 * Math.PI * hertz * at) / SAMPLE_RATE);
  });
  return 20 * Math.log10((2 * Math.hypot(cosine, sine)) / part.length + 1e-9);
}
function power(samples: Float32Array, [from, to]: readonly [number, number]): number {
  const part = samples.subarray(Math.round(from * SAMPLE_RATE), Math.round(to * SAMPLE_RATE));
  return 10 * Math.log10(part.reduce((sum, sample) => sum + sample * sample, 0) / part.length + 1e-12);
}
const SAID = [4.2, 4.9] as const;
const QUIET = [3.3, 3.9] as const;

test("hum goes, and the voice beside it stays", async () => {
  const { before, after } = await treated(spoken(440, "0.03*sin(2*PI*50*t)+0.02*sin(2*PI*100*t)"), {
    cleaned: ["hum"],
  });
  for (const hertz of [50, 100]) {
    const fallen = tone(before, hertz, QUIET) - tone(after, hertz, QUIET);
    expect(fallen).toBeGreaterThan(15);
  }
  expect(Math.abs(tone(after, 440, SAID) - tone(before, 440, SAID))).toBeLessThan(1);
});

test.each(partOf([0.003, 0.008, 0.04], 1))("hiss of %d is softer in pauses, and the voice stays", async (loud) => {
  const { before, after } = await treated(spoken(440, `${loud}*(random(0)-0.5)`), { cleaned: ["hiss"] });
  expect(power(before, QUIET) - power(after, QUIET)).toBeGreaterThan(10);
  expect(Math.abs(tone(after, 440, SAID) - tone(before, 440, SAID))).toBeLessThan(1);
});

test("what is very soft is shut out, and opened in time for what is said", async () => {
  const { before, after } = await treated(spoken(440, "0.006*sin(2*PI*200*t)"), { cleaned: ["gate"] });
  expect(power(before, QUIET) - power(after, QUIET)).toBeGreaterThan(10);
  expect(Math.abs(power(after, [4.02, 4.1]) - power(before, [4.02, 4.1]))).toBeLessThan(1.5);
});

test("what is said softly comes nearer to what is said loudly", async () => {
  const { before, after } = await treated(`0.4*sin(2*PI*440*t)*if(lt(t\\,3)\\,1\\,0.16)`, { cleaned: ["even"] });
  const apart = (samples: Float32Array): number => power(samples, [1, 2]) - power(samples, [4.5, 5.5]);
  expect(apart(before)).toBeGreaterThan(15);
  expect(apart(after)).toBeLessThan(apart(before) / 2);
});

const PITCHED = [
  ["deeper", 440 * 0.82],
  ["lighter", 440 * 1.2],
] as const;
test.each(partOf(PITCHED, 1))("what is made %s sounds at %d Hz, and is said when it was", async (character, hertz) => {
  const { after } = await treated(spoken(440), { character });
  expect(tone(after, hertz, SAID) - tone(after, 440, SAID)).toBeGreaterThan(12);
  // Silent before it begins and after it has ended, to a frame of video.
  expect(power(after, [4.07, 4.13]) - power(after, [3.86, 3.93])).toBeGreaterThan(15);
  expect(power(after, [4.86, 4.93]) - power(after, [5.07, 5.14])).toBeGreaterThan(15);
});

test("by telephone neither lows nor highs are left (ITU-T G.712: 300 to 3400 Hz)", async () => {
  const { before, after } = await treated("0.1*sin(2*PI*100*t)+0.1*sin(2*PI*1000*t)+0.1*sin(2*PI*7000*t)", {
    character: "telephone",
  });
  const lost = (hertz: number): number => tone(before, hertz, SAID) - tone(after, hertz, SAID);
  expect(lost(100) - lost(1000)).toBeGreaterThan(20);
  expect(lost(7000) - lost(1000)).toBeGreaterThan(15);
});

test("in a room it goes on sounding a little; cleaned first, its hum does not", async () => {
  const { after } = await treated(spoken(440, "0.03*sin(2*PI*50*t)"), { cleaned: ["hum"], character: "room" });
  expect(power(after, [5.03, 5.08])).toBeGreaterThan(-50);
  expect(power(after, [5.6, 5.9])).toBeLessThan(-60);
});
