import { withAlpha } from "../color/srgb";
import { type Outline } from "../type/outline";
import { type DisplayNode } from "./displayList";

/** Steps from nothing to the darkest: so many that they are not seen. */
const STEPS = 28;

/**
 * A soft shadow: outlines that grow from within a thing to outside of it, one over the other. A canvas's own shadows differ
 * between platforms by a step of grey; fills do not.
 *
 * @param grown the outline of what casts it, larger by some design units on each side
 * @param reach how far outside and inside of it the shadow fades, in design units
 * @param darkness its alpha inside, 0 to 1
 */
export function softShadow(
  grown: (by: number) => Outline,
  { reach, darkness, down }: { readonly reach: number; readonly darkness: number; readonly down: number },
): DisplayNode[] {
  const covered = Array.from({ length: STEPS + 1 }, (_, step) => darkness * eased(step / STEPS));
  return Array.from({ length: STEPS }, (_, step): DisplayNode => {
    const [before = 0, after = 0] = covered.slice(step, step + 2);
    const by = reach * (1 - (2 * (step + 0.5)) / STEPS);
    // What has to be laid over what lies there already for the two to be as dark as they should be.
    const alpha = 1 - (1 - after) / (1 - before);
    return { kind: "shape", outline: grown(by), at: { x: 0, y: down }, ink: withAlpha("#000000", alpha) };
  });
}

/** From 0 to 1 with level ends (Hermite's cubic). */
const eased = (share: number): number => share * share * (3 - 2 * share);
