import { settle } from "./easing";

/** A number that is shown from a time on, in milliseconds. */
export interface CountStep {
  readonly from: number;
  readonly count: number;
}

/** More numbers than this are not told apart in the time that counting takes. */
const STEPS = 40;

/**
 * The numbers from a start to a goal, fast at first and slower towards the end. Each is shown once, the goal last.
 * @param lasts how long it takes, in milliseconds; 0 for the goal alone
 */
export function countSteps(start: number, goal: number, lasts: number): CountStep[] {
  if (lasts <= 0 || start === goal) return [{ from: 0, count: goal }];
  const all = Array.from({ length: STEPS }, (_, step) => ({
    from: (lasts * step) / STEPS,
    count: Math.round(start + (goal - start) * settle(step / STEPS)),
  }));
  const last = { from: lasts, count: goal };
  return [...all.filter(({ count }, step) => count !== goal && count !== all[step - 1]?.count), last];
}
