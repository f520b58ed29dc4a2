import { inOne } from "../../core/sound/finished";
import { heardSamples } from "../../core/sound/heardSamples";
import { type NeededSamples, type NeededSound, neededSamples } from "../../core/sound/mixSamples";
import { type Mix, type SoundVersion } from "../../core/sound/mixedPiece";
import { BYTES_PER_SAMPLE, type SoundSamples, type Stereo, readSamples, sampleAt } from "../../core/sound/samples";
import { ticksOf } from "../../core/time/ticks";

/** Mixes what is heard of promotions, and keeps the samples that it fetched for it. */
export interface Mixing {
  /** All that is heard of a promotion, in one, and the least factor that anything in it was turned down by. */
  mixed(mix: Mix): Promise<{ readonly whole: Stereo; readonly ended: number }>;
}

interface Kept {
  readonly needed: NeededSamples;
  readonly samples: Promise<SoundSamples | null>;
}

/** @param addressOf where the samples of a sound are fetched */
export function openMixing(addressOf: (version: SoundVersion) => string): Mixing {
  let kept = new Map<string, Kept>();

  function samplesFor(name: string, needed: NeededSound): Kept {
    const before = kept.get(name);
    return before && covers(before.needed, needed)
      ? before
      : { needed, samples: fetchSamples(addressOf(needed.version), needed) };
  }

  return {
    async mixed(mix) {
      // What is heard no more is let go.
      const now = new Map([...neededSamples(mix)].map(([name, needed]) => [name, samplesFor(name, needed)]));
      kept = now;
      const ready = new Map<string, SoundSamples | null>();
      for (const [name, { samples }] of now) {
        const found = await samples;
        ready.set(name, found);
        // What could not be had is asked for again the next time.
        if (!found && kept.get(name)?.samples === samples) kept.delete(name);
      }
      const count = sampleAt(ticksOf(mix.length));
      return inOne(
        heardSamples(mix, (name) => ready.get(name) ?? null, count),
        count,
      );
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
