/** What a page hears of a microphone: samples that follow one another, from the frame that the first of them is. */
export interface HeardSamples {
  readonly frame: number;
  readonly samples: Float32Array<ArrayBuffer>;
}

/** What was recorded, in one, and how many samples in it were never heard: there it is silent. */
export interface Recorded {
  readonly samples: Float32Array;
  readonly lost: number;
}

/** What was heard from a frame on, each part where it belongs. */
export function joinedSamples(heard: readonly HeardSamples[], from: number): Recorded {
  const parts = heard.filter(({ frame, samples }) => frame + samples.length > from);
  const last = parts.at(-1);
  const samples = new Float32Array(last ? last.frame + last.samples.length - from : 0);
  let count = 0;
  for (const part of parts) {
    const skipped = Math.max(0, from - part.frame);
    samples.set(part.samples.subarray(skipped), part.frame + skipped - from);
    count += part.samples.length - skipped;
  }
  return { samples, lost: samples.length - count };
}
