import { type Millis, millis } from "../units";

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

export interface ScenesOnScreen {
  readonly under: SceneSpan;
  /** Set while two scenes overlap: the coming scene and how far (0 to 1) it has come in. */
  readonly over?: { readonly span: SceneSpan; readonly progress: number };
}

/** Which scene, or which two, are on screen at a time. Times outside are taken as the first or last moment. */
export function scenesAt(spans: readonly SceneSpan[], time: number): ScenesOnScreen {
  const showing = spans.filter((span) => span.start <= time && time < span.end);
  const [under, over] = showing;
  if (!under) {
    const edge = time < 0 ? spans[0] : spans.at(-1);
    if (!edge) throw new RangeError("A promotion needs at least one scene.");
    return { under: edge };
  }
  if (!over) return { under };
  return { under, over: { span: over, progress: (time - over.start) / (over.entered - over.start) } };
}
