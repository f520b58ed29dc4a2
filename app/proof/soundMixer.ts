import { type MeasuredMix } from "../../core/sound/measuredMix";
import { type Mix } from "../../core/sound/mixedPiece";
import { type Stereo } from "../../core/sound/samples";
import { type FromSounds, type ToSounds } from "./soundMessages";

/** Mixes in a worker of its own, which is started when it is first asked. */
export interface SoundMixer {
  /** What is heard of a promotion; null where another was asked for meanwhile. */
  mixed(mix: Mix): Promise<Stereo | null>;
  close(): void;
}

/** @param onMeasured told what was measured of what was mixed last, a little after it was mixed */
export function openSoundMixer(onMeasured: (measured: MeasuredMix) => void = () => undefined): SoundMixer {
  let worker: Worker | null = null;
  let last = 0;
  const asked = new Map<number, (mixed: Stereo | null) => void>();

  function start(): Worker {
    const started = new Worker(new URL("../workers/soundWorker.ts", import.meta.url), { type: "module" });
    started.onmessage = ({ data }: MessageEvent<FromSounds>) => {
      if ("measured" in data) {
        if (data.ask === last) onMeasured(data.measured);
        return;
      }
      asked.get(data.ask)?.(data.mixed);
      asked.delete(data.ask);
    };
    return started;
  }

  return {
    mixed: (mix) =>
      new Promise((resolve) => {
        worker ??= start();
        asked.set(++last, resolve);
        worker.postMessage({ ask: last, mix } satisfies ToSounds);
      }),
    close() {
      worker?.terminate();
      worker = null;
    },
  };
}
