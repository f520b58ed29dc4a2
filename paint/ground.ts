import isEqual from "fast-deep-equal/es6/index.js";
import { type DisplayList, type DisplayNode, clipsIn } from "../core/scene/displayList";

/**
 * How many nodes of a frame, from the lowest on, look as in the frame before and are worth keeping in one piece: up to the
 * last that is more than a still. A clip is never among them: its frame may not have been there.
 */
export function groundLength(before: DisplayList, now: DisplayList): number {
  const alike = startsAlike(before, now);
  return now.slice(0, alike).findLastIndex(({ kind }) => kind !== "still") + 1;
}

/** Whether a list begins with nodes that look as some do. */
export const beginsWith = (list: DisplayList, ground: DisplayList): boolean =>
  ground.length <= list.length && startsAlike(ground, list) === ground.length;

function startsAlike(before: DisplayList, now: DisplayList): number {
  const first = now.findIndex((node, index) => !isAlike(before[index], node) || clipsIn([node]).length > 0);
  return first < 0 ? now.length : first;
}

const isAlike = (one: DisplayNode | undefined, other: DisplayNode): boolean =>
  one === other || (one !== undefined && one.kind === other.kind && isEqual(one, other));
