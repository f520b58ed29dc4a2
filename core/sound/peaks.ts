/**
 * The highest level in each of `count` equal stretches, 0 to 100, for drawing a waveform.
 * @param samples signed 16-bit samples of one channel
 */
export function waveformPeaks(samples: Int16Array, count: number): number[] {
  if (samples.length === 0 || count <= 0) return [];
  const bars = Math.min(count, samples.length);
  return Array.from({ length: bars }, (_, bar) => {
    const from = Math.floor((bar * samples.length) / bars);
    const to = Math.floor(((bar + 1) * samples.length) / bars);
    let peak = 0;
    for (let at = from; at < to; at++) peak = Math.max(peak, Math.abs(samples[at] ?? 0));
    return Math.round((peak / 32768) * 100);
  });
}
