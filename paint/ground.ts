import isEqual from "fast-deep-equal/es6/index.js";
import { type DisplayList, type DisplayNode, alikeAtStart, clipsIn } from "../core/scene/displayList";

/**
 * How many nodes of a frame, from the lowest on, look as in the frame before and are worth keeping in one piece: up to the
 * last that is more than a still. A clip is never among them: its frame may not have been there.
 */
export function groundLength(before: DisplayList, now: DisplayList): number {
  return now.slice(0, alikeAtStart(now, before, isAlike)).findLastIndex(({ kind }) => kind !== "still") + 1;
}

/** Whether a list begins with nodes that look as some do. */
export const beginsWith = (list: DisplayList, ground: DisplayList): boolean =>
  alikeAtStart(ground, list, isAlike) === ground.length;

const isAlike = (node: DisplayNode, other: DisplayNode | undefined): boolean =>
  isEqual(node, other) && clipsIn([node]).length === 0;
