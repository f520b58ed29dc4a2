import { adjust, applyEdit } from "../document/edits";
import { type Promotion } from "../document/promotion";
import { millis } from "../units";
import { type OutOfReach, holdLength, lengthOfAll } from "./lengthEdits";
import { type PacedScene } from "./pacedScenes";

/** Which scenes of a promotion may be left out where it is made shorter, in their order. */
export const droppableScenes = (
  { adjustments }: Pick<Promotion, "adjustments">,
  scenes: readonly Pick<PacedScene, "id">[],
): string[] => scenes.filter(({ id }) => adjustments[id]?.droppable === true).map(({ id }) => id);

/** A promotion made shorter, and the scenes that are not in it. */
export interface Shorter {
  readonly document: Promotion;
  readonly leftOut: readonly string[];
}

/**
 * Makes a promotion last a shorter time: its scenes share the length, and of those that may be left out the last go first,
 * until the rest is read at ease; where that can't be, until it can be read at all.
 *
 * @param target whole milliseconds
 * @param pace the scenes of a document, with how long each must be
 */
export function shorterVersion(
  document: Promotion,
  { target, pace }: { readonly target: number; readonly pace: (document: Promotion) => readonly PacedScene[] },
): Shorter | { readonly outOfReach: OutOfReach } {
  const droppable = droppableScenes(document, pace(document));
  // Before anything is left out, then with one less, and so on.
  const steps = Array.from({ length: droppable.length + 1 }, (_, count) => {
    const leftOut = droppable.slice(droppable.length - count);
    const without = leftOut.reduce(
      (before, scene) => applyEdit(before, adjust("skipped", true, { target: { scene } })),
      document,
    );
    return { leftOut, without, scenes: pace(without) };
  }).filter(({ scenes }) => scenes.length > 0);
  const atEase = steps.find(({ scenes }) => easyLength(scenes) <= target && inReach(scenes, target));
  const chosen = atEase ?? steps.find(({ scenes }) => inReach(scenes, target));
  const last = steps.at(-1);
  const { leftOut, without, scenes } = chosen ?? last ?? { leftOut: [], without: document, scenes: pace(document) };
  const held = holdLength(scenes, millis(target));
  return "edit" in held ? { document: applyEdit(without, held.edit), leftOut } : { outOfReach: held.outOfReach };
}

/** How long scenes last together when each is read at ease and none is longer than it is. */
const easyLength = (scenes: readonly PacedScene[]): number =>
  lengthOfAll(
    scenes.map((scene) => ({
      ...scene,
      length: Math.max(scene.least, Math.min(scene.length, scene.forWords ?? scene.least)),
    })),
  );

function inReach(scenes: readonly PacedScene[], target: number): boolean {
  return "edit" in holdLength(scenes, millis(target));
}
