/** Evenly spread numbers from 0 to 1 that a seed decides (Park and Miller's generator, 1988). */
export function randomFrom(seed: number): () => number {
  let state = (seed % 2147483646) + 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
