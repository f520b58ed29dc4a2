import { heardSamples } from "../../core/sound/heardSamples";
import { type NeededSamples, neededSamples } from "../../core/sound/mixSamples";
import { type Mix } from "../../core/sound/mixedPiece";
import { BYTES_PER_SAMPLE, type SoundSamples, type Stereo, readSamples, sampleAt } from "../../core/sound/samples";
import { ticksOf } from "../../core/time/ticks";

/** Mixes what is heard of promotions, and keeps the samples that it fetched for it. */
export interface Mixing {
  /** All that is heard of a promotion, in one. */
  mixed(mix: Mix): Promise<Stereo>;
}

interface Kept {
  readonly needed: NeededSamples;
  readonly samples: Promise<SoundSamples | null>;
}

/** @param addressOf where the samples of a sound are fetched */
export function openMixing(addressOf: (sound: string) => string): Mixing {
  let kept = new Map<string, Kept>();

  function samplesFor(sound: string, needed: NeededSamples): Kept {
    const before = kept.get(sound);
    return before && covers(before.needed, needed)
      ? before
      : { needed, samples: fetchSamples(addressOf(sound), needed) };
  }

  return {
    async mixed(mix) {
      // What is heard no more is let go.
      const now = new Map([...neededSamples(mix)].map(([sound, needed]) => [sound, samplesFor(sound, needed)]));
      kept = now;
      const ready = new Map<string, SoundSamples | null>();
      for (const [sound, { samples }] of now) {
        const found = await samples;
        ready.set(sound, found);
        // What could not be had is asked for again the next time.
        if (!found && kept.get(sound)?.samples === samples) kept.delete(sound);
      }
      const count = sampleAt(ticksOf(mix.length));
      const whole = { left: new Float32Array(count), right: new Float32Array(count) };
      let at = 0;
      for (const { left, right } of heardSamples(mix, (sound) => ready.get(sound) ?? null, count)) {
        whole.left.set(left, at);
        whole.right.set(right, at);
        at += left.length;
      }
      return whole;
    },
  };
}

const covers = (kept: NeededSamples, needed: NeededSamples): boolean =>
  kept.from <= needed.from && (kept.to === null || (needed.to !== null && needed.to <= kept.to));

/** Null where it can't be fetched: it is not heard then; the others are. */
async function fetchSamples(address: string, { from, to }: NeededSamples): Promise<SoundSamples | null> {
  const last = to === null ? "" : to * BYTES_PER_SAMPLE - 1;
  try {
    const response = await fetch(address, { headers: { range: `bytes=${from * BYTES_PER_SAMPLE}-${last}` } });
    return response.status === 206 ? readSamples(new Uint8Array(await response.arrayBuffer()), from) : null;
  } catch {
    return null;
  }
}
