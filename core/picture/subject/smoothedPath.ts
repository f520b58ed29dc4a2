/**
 * A series of values made smooth: the one that is nearest to what was measured, each by its weight, while its third
 * differences (its jerk) are small. Whittaker's smoother, “On a new method of graduation”, 1923; as a banded system in
 * Eilers, “A perfect smoother”, Analytical Chemistry 75, 2003.
 *
 * @param weights how far each value is trusted, 0 for not at all; one at least must be above 0
 * @param stiffness how much smoothness counts against nearness
 */
export function smoothed(values: readonly number[], weights: readonly number[], stiffness: number): number[] {
  const count = values.length;
  if (count < 4) return heldMean(values, weights);
  // A = W + stiffness · DᵀD, symmetric, with three diagonals beside the middle one; D takes third differences.
  const band = Array.from({ length: 4 }, () => new Float64Array(count));
  const add = (row: number, column: number, value: number): void => {
    const diagonal = band[column - row];
    if (diagonal) diagonal[row] = (diagonal[row] ?? 0) + value;
  };
  for (let at = 0; at < count; at++) add(at, at, weights[at] ?? 0);
  for (let first = 0; first + 3 < count; first++)
    for (let one = 0; one < 4; one++)
      for (let other = one; other < 4; other++)
        add(first + one, first + other, stiffness * (THIRD[one] ?? 0) * (THIRD[other] ?? 0));
  return solveBanded(
    band,
    values.map((value, at) => value * (weights[at] ?? 0)),
  );
}

/** What third differences are made of. */
const THIRD = [-1, 3, -3, 1] as const;
/** Keeps the system solvable where nearly nothing was measured. */
const TINY = 1e-9;

/** Solves A x = b by Cholesky's LDLᵀ, A symmetric, given by its middle diagonal and those above it. */
function solveBanded(band: readonly Float64Array[], right: readonly number[]): number[] {
  const count = right.length;
  const reach = band.length - 1;
  const lower = band.map((diagonal) => Float64Array.from(diagonal));
  const pivot = new Float64Array(count);
  const value = (diagonal: number, row: number): number => lower[diagonal]?.[row] ?? 0;
  for (let row = 0; row < count; row++) {
    let middle = value(0, row) + TINY;
    for (let back = 1; back <= Math.min(reach, row); back++)
      middle -= value(back, row - back) ** 2 * (pivot[row - back] ?? 0);
    pivot[row] = middle;
    for (let ahead = 1; ahead <= reach && row + ahead < count; ahead++) {
      let entry = value(ahead, row);
      for (let back = 1; back + ahead <= reach && back <= row; back++)
        entry -= value(back, row - back) * value(back + ahead, row - back) * (pivot[row - back] ?? 0);
      const diagonal = lower[ahead];
      if (diagonal) diagonal[row] = entry / middle;
    }
  }
  const found = [...right];
  for (let row = 0; row < count; row++)
    for (let back = 1; back <= Math.min(reach, row); back++)
      found[row] = (found[row] ?? 0) - value(back, row - back) * (found[row - back] ?? 0);
  for (let row = 0; row < count; row++) found[row] = (found[row] ?? 0) / (pivot[row] ?? 1);
  for (let row = count - 1; row >= 0; row--)
    for (let ahead = 1; ahead <= reach && row + ahead < count; ahead++)
      found[row] = (found[row] ?? 0) - value(ahead, row) * (found[row + ahead] ?? 0);
  return found;
}

/** Too few to be smoothed: their mean, by weight. */
function heldMean(values: readonly number[], weights: readonly number[]): number[] {
  const whole = weights.reduce((sum, one) => sum + one, 0);
  const mean =
    whole > 0
      ? values.reduce((sum, one, at) => sum + one * (weights[at] ?? 0), 0) / whole
      : values.reduce((sum, one) => sum + one, 0) / Math.max(1, values.length);
  return values.map(() => mean);
}

/**
 * Values of which none is farther from the one before than a limit: the mean of what remains when each is held back by the
 * one before it, and by the one after it. Both keep the limit, so their mean does.
 */
export function withinSpeed(values: readonly number[], limit: number): number[] {
  const held = (series: readonly number[]): number[] => {
    let last = series[0] ?? 0;
    return series.map((value) => (last = Math.min(last + limit, Math.max(last - limit, value))));
  };
  const forward = held(values);
  const backward = held(values.toReversed()).toReversed();
  return forward.map((value, at) => (value + (backward[at] ?? value)) / 2);
}
