import isEqual from "fast-deep-equal/es6/index.js";
import { type Rect, unionOf } from "../geometry/rect";
import { type DisplayList, type DisplayNode, alikeAtStart } from "./displayList";
import { type ParentNode, paintedAreas, seenThrough } from "./paintedAreas";

/** So many pixels beyond an area that changed may differ as well: soft edges, and edges snapped to whole pixels. */
export const SOFT_PIXELS = 3;

/**
 * The area of a frame outside which it is the same picture as the frame before, but for `SOFT_PIXELS` around it. In design
 * units. Null where nothing differs.
 */
export const changedArea = (before: DisplayList, now: DisplayList): Rect | null => unionOf(changes(before, now));

/** Areas that differ, between what two lists begin and end with alike. */
function changes(before: readonly DisplayNode[], now: readonly DisplayNode[]): Rect[] {
  const start = alikeAtStart(before, now);
  const end = Math.min(
    alikeAtStart(before.toReversed(), now.toReversed()),
    Math.min(before.length, now.length) - start,
  );
  const [gone, come] = [before.slice(start, before.length - end), now.slice(start, now.length - end)];
  if (gone.length !== come.length) return paintedAreas([...gone, ...come]);
  return gone.flatMap((node, index) => changesOf(node, come[index] ?? node));
}

/** Where one node differs from another that is painted in its stead. */
function changesOf(before: DisplayNode, now: DisplayNode): Rect[] {
  if (before === now) return [];
  if ("children" in before && "children" in now && isSameButForChildren(before, now))
    return seenThrough(now, changes(before.children, now.children));
  return isEqual(before, now) ? [] : paintedAreas([before, now]);
}

const isSameButForChildren = (before: ParentNode, now: ParentNode): boolean =>
  isEqual({ ...before, children: [] }, { ...now, children: [] });
