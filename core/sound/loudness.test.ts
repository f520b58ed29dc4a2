import { SAMPLE_RATE, type Stereo } from "./samples";
import { loudnessOf } from "./loudness";

/** A stretch of a test signal: a sine of 1 kHz in both channels at a level in dBFS, and how long it lasts in seconds. */
type Part = readonly [decibels: number, seconds: number];

function signal(...parts: readonly Part[]): Stereo {
  const count = parts.reduce((sum, [, seconds]) => sum + Math.round(seconds * SAMPLE_RATE), 0);
  const left = new Float32Array(count);
  let at = 0;
  for (const [decibels, seconds] of parts) {
    const level = 10 ** (decibels / 20);
    for (const end = at + Math.round(seconds * SAMPLE_RATE); at < end; at++)
      left[at] = level * Math.sin((2 * Math.PI * 1000 * at) / SAMPLE_RATE);
  }
  return { left, right: left };
}

// EBU Tech 3341 (version 4.0), table 1: test signals 1 to 5, each made here as it is described there, to ±0.1 LU.
test.each<[string, readonly Part[], number]>([
  ["1", [[-23, 20]], -23],
  ["2", [[-33, 20]], -33],
  ["3", [[-36, 10], [-23, 60], [-36, 10]], -23], // prettier-ignore
  ["4", [[-72, 10], [-36, 10], [-23, 60], [-36, 10], [-72, 10]], -23], // prettier-ignore
  ["5", [[-26, 20], [-20, 20.1], [-26, 20]], -23], // prettier-ignore
])("EBU Tech 3341, test signal %s", (_, parts, expected) => {
  expect(Math.abs((loudnessOf(signal(...parts)).integrated ?? 0) - expected)).toBeLessThanOrEqual(0.1);
});

test("the loudest 400 ms are found among softer ones", () => {
  const { momentary } = loudnessOf(signal([-40, 3], [-20, 0.5], [-40, 3]));
  expect(Math.abs((momentary ?? 0) + 20)).toBeLessThanOrEqual(0.1);
});

test("silence, and what is too short, has no loudness", () => {
  expect(loudnessOf(signal([-Infinity, 2]))).toMatchObject({ integrated: null, momentary: null, truePeak: null });
  expect(loudnessOf(signal([-20, 0.2])).integrated).toBeNull();
});

/** A sine whose wave the samples meet at other places than its peaks. @param part of the sample rate that it has */
function between(part: number, phase: number): Stereo {
  const left = Float32Array.from({ length: 4800 }, (_, at) => {
    // Faded in and out, so that nothing rings at its ends.
    const fade = Math.min(1, at / 480, (4799 - at) / 480);
    return fade * 0.5 * Math.sin((2 * Math.PI * at) / part + (phase * Math.PI) / 180);
  });
  return { left, right: left };
}

// EBU Tech 3341 (version 4.0), test signals 15 to 18: sines of −6 dBFS at fs/4, fs/4, fs/6 and fs/8, +0.2 / −0.4 dB.
test.each([
  [4, 0],
  [4, 45],
  [6, 60],
  [8, 67.5],
])("a sine of fs/%d, met at %d°, peaks where the wave does, not where its samples do", (part, phase) => {
  const { truePeak } = loudnessOf(between(part, phase));
  expect(truePeak).toBeGreaterThanOrEqual(-6.02 - 0.4);
  expect(truePeak).toBeLessThanOrEqual(-6.02 + 0.2);
});
