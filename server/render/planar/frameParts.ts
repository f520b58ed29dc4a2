import { LEAST_WIDTH } from "./planarModule";

/** Rows of a frame: the first, and the one after the last. */
export interface Rows {
  readonly from: number;
  readonly to: number;
}

/** Columns of a frame, as `Rows`. */
export type Columns = Rows;

/** Where columns begin and end that are converted by `LEAST_WIDTH` at once, in a frame of a width. */
export function wholeSteps({ from, to }: Columns, width: number): readonly [number, number] {
  const right = Math.min(width, LEAST_WIDTH * Math.ceil(to / LEAST_WIDTH));
  return [Math.max(0, Math.min(LEAST_WIDTH * Math.floor(from / LEAST_WIDTH), right - LEAST_WIDTH)), right];
}
