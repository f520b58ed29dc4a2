import { access } from "node:fs/promises";
import { LONG_SUITES, waitingSuites } from "./suitesByTurns";

const runsWith = (seed: number): readonly string[] => {
  const waiting = waitingSuites(seed);
  return LONG_SUITES.filter((file) => !waiting.includes(file));
};

test("three seeds in a row run each of the long suites once", () => {
  for (const seed of [1, 4711, 999_999]) {
    const run = [seed, seed + 1, seed + 2].flatMap(runsWith);
    expect([...run].sort()).toEqual([...LONG_SUITES].sort());
  }
});

test("each turn has as many of them, and the longest three are in different ones", () => {
  const turns = [1, 2, 3].map(runsWith);
  expect(new Set(turns.map((files) => files.length)).size).toBe(1);
  expect(turns.map((files) => files.filter((file) => LONG_SUITES.indexOf(file) < 3).length)).toEqual([1, 1, 1]);
});

test("what is named there is there", async () => {
  await Promise.all(LONG_SUITES.map((file) => access(file)));
});
