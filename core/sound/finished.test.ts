import { finished } from "./finished";
import { loudnessOf } from "./loudness";
import { SAMPLE_RATE, type Stereo } from "./samples";

const signal = (count: number, sample: (at: number) => number): Stereo => {
  const left = Float32Array.from({ length: count }, (_, at) => sample(at));
  return { left, right: left };
};
const tone = (level: number): Stereo => signal(SAMPLE_RATE * 2, (at) => level * Math.sin(at / 9));
const ASKED = { loudness: -20, ceiling: -1 };

test("what is too soft or too loud by less than the limiter minds is only made louder or softer", () => {
  for (const level of [0.05, 0.9]) {
    const [before, made] = [tone(level), finished(tone(level), ASKED).whole];
    const factor = (made.left[500] ?? 0) / (before.left[500] ?? 1);
    // The same factor all along: nothing was pressed together.
    for (const at of [100, 7001, 50_000, 95_999]) expect(made.left[at]).toBeCloseTo((before.left[at] ?? 0) * factor, 5);
    expect(loudnessOf(made).integrated).toBeCloseTo(ASKED.loudness, 1);
  }
});

test("silence stays silence, what is nearly silent is not made more than 20 dB louder, the shortest is left", () => {
  expect(
    finished(
      signal(SAMPLE_RATE, () => 0),
      ASKED,
    ).whole.left.every((sample) => sample === 0),
  ).toBe(true);
  const soft = finished(tone(0.001), ASKED).whole;
  expect((soft.left[5000] ?? 0) / (tone(0.001).left[5000] ?? 1)).toBeCloseTo(10, 2);
  expect(
    finished(
      signal(3, () => 0.5),
      ASKED,
    ).whole.left,
  ).toEqual(Float32Array.of(0.5, 0.5, 0.5));
});

test("what can't be so loud under the ceiling is as loud as it can be, and the ceiling holds", () => {
  // A click a second over next to nothing: only the clicks are loud.
  const clicks = signal(SAMPLE_RATE * 4, (at) => (at % SAMPLE_RATE === 0 ? 1 : 0.0005 * Math.sin(at / 5)));
  const { whole, turnedDown } = finished(clicks, { loudness: -10, ceiling: -3 });
  const { integrated, truePeak } = loudnessOf(whole);
  expect(turnedDown).toBeLessThan(0.8);
  expect(integrated ?? 0).toBeLessThan(-20);
  expect(truePeak).toBeLessThanOrEqual(-3);
});
