import fc from "fast-check";
import { limited } from "./limiter";
import { type Stereo } from "./samples";

const LIMIT = 0.5;
function through(blocks: readonly Stereo[]): { left: number[]; right: number[] } {
  const out = [...limited(blocks, LIMIT)];
  return {
    left: out.flatMap(({ left }) => Array.from(left)),
    right: out.flatMap(({ right }) => Array.from(right)),
  };
}
const stereo = (left: readonly number[], right: readonly number[] = left): Stereo => ({
  left: Float32Array.from(left),
  right: Float32Array.from(right),
});
const wave = (count: number, height: number): number[] =>
  Array.from({ length: count }, (_, at) => height * Math.sin(at / 7));

test("what is under the limit comes out as it went in, as long, however it is cut into blocks", () => {
  const left = wave(1000, 0.49);
  const whole = through([stereo(left)]);
  expect(whole.left).toEqual(Array.from(Float32Array.from(left)));
  expect(through([stereo(left.slice(0, 3)), stereo(left.slice(3, 300)), stereo(left.slice(300))])).toEqual(whole);
  expect(through([stereo([0.1, 0.2])]).left).toHaveLength(2);
  expect(through([])).toEqual({ left: [], right: [] });
});

test("nothing passes the limit, whatever comes", () => {
  const samples = fc.array(fc.double({ min: -4, max: 4, noNaN: true }), { maxLength: 1200 });
  fc.assert(
    fc.property(samples, samples, (one, other) => {
      const { left, right } = through([stereo(one), stereo(other)]);
      expect(left).toHaveLength(one.length + other.length);
      for (const value of [...left, ...right]) expect(Math.abs(value)).toBeLessThanOrEqual(LIMIT + 1e-6);
    }),
    { numRuns: 60 },
  );
});

test("it turns down before the peak and lets go slowly after it, both sides alike, and no sample jumps against its neighbour", () => {
  const steady = Array.from({ length: 12_000 }, () => 0.375);
  const left = steady.with(2000, 1);
  const { left: out, right } = through([stereo(left, steady)]);
  const factors = right.map((value) => value / 0.375);
  expect(out[2000]).toBeCloseTo(0.5, 6);
  expect(factors[1500]).toBe(1);
  expect(factors[1900]).toBeLessThan(0.95);
  expect(factors[2000]).toBeCloseTo(0.5, 6);
  expect(factors[4400]).toBeGreaterThan(factors[2500] ?? 1);
  expect(factors[11_900]).toBeGreaterThan(0.98);
  const jumps = factors.slice(1).map((factor, at) => Math.abs(factor - (factors[at] ?? 1)));
  expect(Math.max(...jumps)).toBeLessThan(0.01);
});
