import fc from "fast-check";
import { type Elastic, shareLength } from "./shareLength";

const one = (length: number, change: Partial<Elastic> = {}): Elastic => ({
  length,
  least: 500,
  most: 60_000,
  weight: 1,
  ...change,
});
const lengths = (all: readonly Elastic[], total: number) => {
  const shared = shareLength(all, total);
  return "lengths" in shared ? shared.lengths : shared;
};

test("a difference is shared by length, and by weight", () => {
  expect(lengths([one(4000), one(2000)], 9000)).toEqual([6000, 3000]);
  expect(lengths([one(4000), one(2000, { weight: 2 })], 9000)).toEqual([5500, 3500]);
  expect(lengths([one(4000), one(2000)], 3000)).toEqual([2000, 1000]);
});

test("none goes under its floor: the others take what it can't", () => {
  expect(lengths([one(4000), one(2000, { least: 1900 }), one(3000)], 5000)).toEqual([1771, 1900, 1329]);
  expect(lengths([one(4000, { most: 4500 }), one(2000)], 9000)).toEqual([4500, 4500]);
  // One that is under it now comes up to it.
  expect(lengths([one(4000), one(1000, { least: 2000 })], 5000)).toEqual([3000, 2000]);
});

test("what gives nothing way keeps its length until the others can't give more", () => {
  const still = one(3000, { weight: 0 });
  expect(lengths([one(4000), still], 5000)).toEqual([2000, 3000]);
  expect(lengths([one(4000), still], 2000)).toEqual([500, 1500]);
});

test("what can't be says how long it can be", () => {
  expect(lengths([one(4000, { least: 3000 }), one(2000, { least: 1500.4, most: 5000 })], 4000)).toEqual({
    least: 4501,
    most: 65_000,
  });
  expect(lengths([one(1000, { most: 2000 })], 2001)).toEqual({ least: 500, most: 2000 });
  expect(lengths([], 0)).toEqual([]);
});

test("for any scenes and target: the sum is exact, every bound is kept, and what fits already stays as it is", () => {
  const scene = fc
    .record({
      least: fc.integer({ min: 500, max: 5000 }),
      more: fc.integer({ min: 0, max: 20_000 }),
      length: fc.integer({ min: 500, max: 30_000 }),
      weight: fc.constantFrom(0, 0.5, 1, 3),
    })
    .map(({ least, more, length, weight }) => ({ least, most: least + more, length, weight }));
  fc.assert(
    fc.property(
      fc.array(scene, { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 500, max: 200_000 }),
      (all, total) => {
        const shared = shareLength(all, total);
        const [least, most] = [
          all.reduce((sum, { least: from }) => sum + from, 0),
          all.reduce((sum, { most: to }) => sum + to, 0),
        ];
        if (!("lengths" in shared)) {
          expect(shared).toEqual({ least, most });
          expect(total < least || total > most).toBe(true);
          return;
        }
        expect(shared.lengths.reduce((sum, length) => sum + length, 0)).toBe(total);
        shared.lengths.forEach((length, at) => {
          expect(Number.isInteger(length)).toBe(true);
          expect(length).toBeGreaterThanOrEqual(all[at]?.least ?? 0);
          expect(length).toBeLessThanOrEqual(all[at]?.most ?? 0);
        });
        const settled = all.map((one, at) => ({ ...one, length: shared.lengths[at] ?? 0 }));
        expect(shareLength(settled, total)).toEqual(shared);
      },
    ),
    { numRuns: 300 },
  );
});
