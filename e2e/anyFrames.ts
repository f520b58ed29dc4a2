/** Frames spread by a linear congruential generator (Numerical Recipes' constants): the same for the same seed. */
export function anyFrames(seed: number, count: number, length: number): number[] {
  let state = seed >>> 0;
  return Array.from({ length: count }, () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * length);
  });
}
