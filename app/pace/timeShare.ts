import { type CSSProperties } from "react";

/** Where a stretch of time lies on the page: shares of the promotion's length. All in milliseconds. */
export const stretchStyle = (from: number, to: number, length: number): CSSProperties => ({
  left: `${(from / length) * 100}%`,
  width: `${((to - from) / length) * 100}%`,
});

/** Things that are there over time, in as few rows as they need to lie beside each other. */
export function inRows<Timed extends { readonly from: number; readonly to: number }>(all: readonly Timed[]): Timed[][] {
  const rows: Timed[][] = [];
  for (const one of all) {
    const free = rows.find((row) => row.every(({ from, to }) => to <= one.from || one.to <= from));
    if (free) free.push(one);
    else rows.push([one]);
  }
  return rows;
}
