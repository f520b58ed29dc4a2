import { readdir } from "node:fs/promises";
import { drawnFiles, endToEndStages } from "./endToEndStages";

const MAIN_JOB = "e2e/mainJob.spec.ts";
const argumentsOf = async (choice: Parameters<typeof endToEndStages>[0]): Promise<readonly string[]> =>
  (await endToEndStages(choice)).flat();
const filesOf = async (seed: number): Promise<readonly string[]> =>
  (await argumentsOf({ full: false, seed })).filter((argument) => argument.endsWith(".spec.ts"));

test("a run has the main job and a part of the rest, the same one for the same seed", async () => {
  const files = new Set(await filesOf(4711));
  expect(files.has(MAIN_JOB)).toBe(true);
  expect(files).toEqual(new Set(await filesOf(4711)));
  expect(files).not.toEqual(new Set(await filesOf(4712)));
  const all = (await readdir("e2e", { recursive: true })).filter((name) => name.endsWith(".spec.ts"));
  expect(files.size).toBeLessThan(all.length / 5);
});

test("as many seeds in a row as there are files draw every file, each as often as any other", () => {
  const files = Array.from({ length: 60 }, (_, at) => `e2e/stories/story${at}.spec.ts`);
  const times = new Map<string, number>();
  for (let seed = 1000; seed < 1060; seed++)
    for (const file of drawnFiles([MAIN_JOB, ...files], seed)) times.set(file, (times.get(file) ?? 0) + 1);
  const often = new Set(files.map((file) => times.get(file) ?? 0));
  expect(often.size).toBe(1);
  expect(Math.min(...often)).toBeGreaterThanOrEqual(1);
});

test("all of them run where all is asked for, and where a name is; what is rough only in full, and last", async () => {
  const full = await endToEndStages({ full: true, seed: 1 });
  expect(full.flat().filter((argument) => argument.endsWith(".spec.ts"))).toEqual([]);
  expect(full.at(-1)).toContain("faults");
  const named = await argumentsOf({ full: false, seed: 1, grep: "is heard" });
  expect(named).toContain("is heard");
  expect(named.filter((argument) => argument.endsWith(".spec.ts"))).toEqual([]);
  expect(named).not.toContain("faults");
});
