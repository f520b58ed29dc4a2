import { env } from "node:process";

/** Big samples are tested in part each time, with another seed; `bin/test --full` tests all of them. */
export const SEED = Number(env["TEST_SEED"] ?? 1);
const IS_FULL = env["TEST_FULL"] === "yes";
export const RUNS = IS_FULL ? 5 : 1;

/** Of the cases of a big sample so many, spread over all of it, others with another seed; all of them with `--full`. */
export function partOf<T>(cases: readonly T[], count: number): T[] {
  if (IS_FULL || count >= cases.length) return [...cases];
  const shift = SEED % cases.length;
  return Array.from({ length: count }, (_, at) => (shift + Math.floor((at * cases.length) / count)) % cases.length).map(
    (at) => cases[at] as T,
  );
}
