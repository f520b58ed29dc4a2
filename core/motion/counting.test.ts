import { countSteps } from "./counting";

const counts = (start: number, goal: number, lasts: number): number[] =>
  countSteps(start, goal, lasts).map(({ count }) => count);

test("up and down, from the start to the goal, each number once and none beyond", () => {
  expect(counts(0, 3, 900)).toEqual([0, 1, 2, 3]);
  expect(counts(3, 0, 900)).toEqual([3, 2, 1, 0]);
  for (const [start, goal] of [
    [0, 500],
    [60, 7],
    [0, 9_999_999],
  ] as const) {
    const steps = countSteps(start, goal, 1500);
    const all = steps.map(({ count }) => count);
    const sorted = [...all].sort((one, other) => (goal > start ? one - other : other - one));
    expect(all).toEqual(sorted);
    expect(new Set(all).size).toBe(all.length);
    expect([all[0], all.at(-1)]).toEqual([start, goal]);
    expect(steps.at(-1)?.from).toBe(1500);
    expect(all.length).toBeLessThanOrEqual(41);
    // Fast at first: more than half of the way is gone in the first half of the time.
    const half = steps.findLast(({ from }) => from <= 750)?.count ?? start;
    expect(Math.abs(half - start)).toBeGreaterThan(Math.abs(goal - start) / 2);
  }
});

test("no time, or no way to go: the goal is there at once", () => {
  expect(countSteps(0, 12, 0)).toEqual([{ from: 0, count: 12 }]);
  expect(countSteps(12, 12, 1500)).toEqual([{ from: 0, count: 12 }]);
});
