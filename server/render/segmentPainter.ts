import { join } from "node:path";
import { type FrameRate } from "../../core/time/frames";
import { segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { inWorkFolder } from "../workFolder";
import { allOrStop } from "./allOrStop";
import { type PaintPool } from "./paintPool";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { type Segment } from "./renderPlan";

/** Segments that have to be painted, and all that decides how. No two have one key. */
export interface WantedSegments extends OutputChoice {
  readonly input: RenderInput;
  readonly rate: FrameRate;
  readonly width: number;
  readonly height: number;
  readonly segments: readonly Segment[];
}

/** Those of some segments that have to be painted: what is in the store already, or named before, is left out. */
export async function missingSegments(segments: readonly Segment[]): Promise<Segment[]> {
  const each = segments.filter(({ key }, at) => segments.findIndex((other) => other.key === key) === at);
  const isThere = await Promise.all(each.map(({ key }) => store().has(segmentKey(key))));
  return each.filter((_, at) => !isThere[at]);
}

/** Whoever paints segments: threads of this process, or all workers together. */
export interface SegmentPainter {
  /**
   * Has all of them in the store when it resolves. Rejects when one can't be painted or `signal` is aborted.
   *
   * @param onPainted told from time to time how many frames of them are painted
   */
  paint(wanted: WantedSegments, onPainted: (frames: number) => void, signal: AbortSignal): Promise<void>;
}

/** Paints with the threads of this process alone. */
export function localPainter(pool: PaintPool): SegmentPainter {
  return {
    async paint(wanted, onPainted, signal) {
      let painted = 0;
      await allOrStop(signal, (stop) =>
        wanted.segments.map((segment) => paintAndKeep(pool, wanted, segment, () => onPainted(++painted), stop)),
      );
    },
  };
}

/** Paints one segment with a thread of the pool, and keeps it in the store. */
export async function paintAndKeep(
  pool: PaintPool,
  { input, format, quality, isMarked, rate, width, height }: Omit<WantedSegments, "segments">,
  { key, from, to }: Segment,
  onFrame: () => void,
  signal: AbortSignal,
): Promise<void> {
  await inWorkFolder("segment", async (folder) => {
    const path = join(folder, `${from}.mp4`);
    await pool.render({ input, format, quality, isMarked, from, to, rate, width, height, path }, onFrame, signal);
    await store().keep(segmentKey(key), path);
  });
}
