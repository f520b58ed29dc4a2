import fc from "fast-check";
import { smoothed, withinSpeed } from "./smoothedPath";

const ones = (count: number): number[] => Array.from({ length: count }, () => 1);
const differences = (values: readonly number[]): number[] =>
  values.slice(1).map((value, at) => value - (values[at] ?? 0));
const roughness = (values: readonly number[]): number =>
  differences(differences(differences(values))).reduce((sum, value) => sum + value * value, 0);

test("what has no jerk stays as it is: a parabola, whatever the stiffness", () => {
  const parabola = Array.from({ length: 20 }, (_, at) => 0.1 + 0.02 * at + 0.001 * at * at);
  smoothed(parabola, ones(20), 1000).forEach((value, at) => expect(value).toBeCloseTo(parabola[at] ?? 0, 5));
});

test("without stiffness nothing changes; with more of it, what is left is smoother", () => {
  const noisy = Array.from({ length: 30 }, (_, at) => (at * 4.236) % 1);
  smoothed(noisy, ones(30), 0).forEach((value, at) => expect(value).toBeCloseTo(noisy[at] ?? 0, 5));
  const [little, more] = [smoothed(noisy, ones(30), 1), smoothed(noisy, ones(30), 100)];
  expect(roughness(little)).toBeLessThan(roughness(noisy) / 4);
  expect(roughness(more)).toBeLessThan(roughness(little) / 4);
});

test("what is not trusted is passed over: the line goes on through it", () => {
  const line = Array.from({ length: 15 }, (_, at) => at / 20);
  const spoilt = line.map((value, at) => (at === 7 ? 5 : value));
  const trust = ones(15).map((one, at) => (at === 7 ? 0 : one));
  smoothed(spoilt, trust, 10).forEach((value, at) => expect(value).toBeCloseTo(line[at] ?? 0, 5));
});

test("too few values for any jerk become their mean, by trust", () => {
  expect(smoothed([0, 1], [3, 1], 5)).toEqual([0.25, 0.25]);
});

test("no step is beyond the limit, and what keeps it already stays as it is", () => {
  const series = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 60 });
  fc.assert(
    fc.property(series, (values) => {
      const held = withinSpeed(values, 0.05);
      for (const step of differences(held)) expect(Math.abs(step)).toBeLessThanOrEqual(0.05 + 1e-12);
    }),
  );
  const slow = [0.1, 0.14, 0.12, 0.1];
  withinSpeed(slow, 0.05).forEach((value, at) => expect(value).toBeCloseTo(slow[at] ?? 0, 12));
});
