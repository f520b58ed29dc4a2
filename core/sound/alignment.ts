/** How loud a sound is over time: the root of the mean square of each stretch of so many samples (a fraction of one counts too). */
export function envelopeOf(samples: Float32Array, step: number): Float64Array {
  const count = Math.floor(samples.length / step);
  return Float64Array.from({ length: count }, (_, at) => {
    const [from, to] = [Math.floor(at * step), Math.floor((at + 1) * step)];
    let sum = 0;
    for (let sample = from; sample < to; sample++) sum += (samples[sample] ?? 0) ** 2;
    return Math.sqrt(sum / Math.max(1, to - from));
  });
}

/**
 * By how many steps one envelope comes later than another that is like it: where their product, each without its mean, is
 * greatest (cross-correlation).
 *
 * @param most steps that are looked at, to either side
 */
export function stepsLate(late: Float64Array, reference: Float64Array, most: number): number {
  const [a, b] = [withoutMean(late), withoutMean(reference)];
  let best = { shift: 0, score: -Infinity };
  for (let shift = -most; shift <= most; shift++) {
    let score = 0;
    for (let at = Math.max(0, -shift); at < b.length && at + shift < a.length; at++)
      score += (a[at + shift] ?? 0) * (b[at] ?? 0);
    if (score > best.score) best = { shift, score };
  }
  return best.shift;
}

function withoutMean(values: Float64Array): Float64Array {
  const mean = values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return values.map((value) => value - mean);
}
