import { type Millis, millis } from "../units";
import { ticksOf } from "./ticks";
import { type Track } from "./tracks";

export interface SceneLength {
  readonly length: Millis;
  /** How long this scene overlaps the one before it. 0 is a cut; the first scene's is ignored. */
  readonly overlap: Millis;
}

export interface SceneSpan {
  readonly index: number;
  readonly start: Millis;
  readonly end: Millis;
  /** Where the overlap with the scene before ends: from here on this scene stands alone until the next begins. */
  readonly entered: Millis;
}

/**
 * Where scenes lie in time when each overlaps the one before it.
 * Two scenes of 5 s with a 1 s crossfade last 9 s (common practice).
 * Throws when an overlap is longer than one of the two scenes that share it, or two overlaps would meet.
 */
export function sceneSpans(scenes: readonly SceneLength[]): SceneSpan[] {
  const spans: SceneSpan[] = [];
  let end = 0;
  scenes.forEach((scene, index) => {
    const overlap = index === 0 ? 0 : scene.overlap;
    const start = end - overlap;
    const previous = spans[index - 1];
    if (previous && start < previous.entered)
      throw new RangeError(
        `Scene ${index + 1} overlaps scene ${index} by ${overlap} ms, more than it has free. Shorten the overlap.`,
      );
    if (overlap > scene.length)
      throw new RangeError(`Scene ${index + 1} is shorter than its overlap of ${overlap} ms.`);
    end = start + scene.length;
    spans.push({ index, start: millis(start), end: millis(end), entered: millis(start + overlap) });
  });
  return spans;
}

export const totalLength = (spans: readonly SceneSpan[]): Millis => spans.at(-1)?.end ?? millis(0);

/** When each scene is on screen, by its index. Where two overlap, the later comes in over the earlier. */
export const sceneTrack = (spans: readonly SceneSpan[]): Track<number> =>
  spans.map(({ index, start, end }) => ({ from: ticksOf(start), to: ticksOf(end), what: index }));

/**
 * Which scene is seen most of at a time in milliseconds: the coming one once it is half in. Times outside are taken as the
 * first or last moment.
 */
export function sceneMostSeen(spans: readonly SceneSpan[], time: number): number {
  const halfIn = spans.filter(({ start, entered }) => (start + entered) / 2 <= time);
  return halfIn.at(-1)?.index ?? 0;
}
