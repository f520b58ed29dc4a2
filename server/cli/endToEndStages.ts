import { readdir } from "node:fs/promises";
import { drawn } from "../../core/testing/sample";

/** Run each time: the job from its beginning to its end, and who may do what. */
const ALWAYS = ["e2e/mainJob.spec.ts", "e2e/access.spec.ts"];
/** Of the others one part of so many; as many seeds in a row as there are files run each of them. */
const PARTS = 21;

/** What runs beside each other; the next begins when it has ended. */
const STAGES: readonly (readonly string[])[] = [["a team of its own", "side by side"], ["alone"]];
/** Long and rough. */
const LAST_STAGE = ["faults"];

export interface Choice {
  /** All tests instead of the part that is drawn. */
  readonly full: boolean;
  /** Only tests that are called so, whatever is drawn. */
  readonly grep?: string | undefined;
  readonly seed: number;
}

/** The arguments for Playwright of each stage of the end-to-end tests (the projects of playwright.config.ts). */
export async function endToEndStages({ full, grep, seed }: Choice): Promise<readonly (readonly string[])[]> {
  const files = full || grep !== undefined ? [] : drawnFiles(await specs(), seed);
  const named = grep === undefined ? [] : ["--grep", grep];
  return [...STAGES, ...(full ? [LAST_STAGE] : [])].map((projects) => [
    ...projects.flatMap((project) => ["--project", project]),
    ...named,
    "--pass-with-no-tests",
    ...files,
  ]);
}

/** Of all files with end-to-end tests those that are run with this seed. */
export function drawnFiles(all: readonly string[], seed: number): readonly string[] {
  const others = all.filter((file) => !ALWAYS.includes(file)).sort();
  return [...ALWAYS, ...drawn(others, Math.ceil(others.length / PARTS), seed)];
}

const specs = async (): Promise<string[]> =>
  (await readdir("e2e", { recursive: true }))
    .filter((name) => name.endsWith(".spec.ts") && !/^(faults|long)\//.test(name))
    .map((name) => `e2e/${name}`);
