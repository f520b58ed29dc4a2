/** The middle one of some numbers by size, the upper of two; 0 of none. */
export function median(values: readonly number[]): number {
  const sorted = values.toSorted((one, other) => one - other);
  return sorted[sorted.length >> 1] ?? 0;
}
