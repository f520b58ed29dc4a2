import { env } from "node:process";

/** Big samples are tested in part each time, with another seed; `bin/test --full` tests all of them. */
export const SEED = Number(env["TEST_SEED"] ?? 1);
export const IS_FULL = env["TEST_FULL"] === "yes";
export const RUNS = IS_FULL ? 5 : 1;

/** Of the cases of a big sample so many, spread over all of it, others with another seed; all of them with `--full`. */
export const partOf = <T>(cases: readonly T[], count: number): T[] =>
  IS_FULL ? [...cases] : drawn(cases, count, SEED);

/**
 * So many of the cases, spread over all of them. Seeds that follow each other draw neighbours: as many as there are cases
 * have drawn each of them.
 */
export function drawn<T>(cases: readonly T[], count: number, seed: number): T[] {
  if (count >= cases.length) return [...cases];
  const shift = seed % cases.length;
  return Array.from({ length: count }, (_, at) => (shift + Math.floor((at * cases.length) / count)) % cases.length).map(
    (at) => cases[at] as T,
  );
}
