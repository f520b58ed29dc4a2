import isEqual from "fast-deep-equal/es6/index.js";
import { boundsOf } from "../geometry/affine";
import { type Rect, evenInsets, inset, intersection, rect, unionOf } from "../geometry/rect";
import { outlineBounds } from "../type/outline";
import { type DisplayList, type DisplayNode, type LayerNode } from "./displayList";

/** A blur of standard deviation 1 reaches no farther: three boxes in a row stand for it, of 1.88 each (SVG 1.1, 15.17). */
const BLUR_REACH = 3;
/** Edges are soft and snapped to pixels before they are mapped: so many design units are more than that. */
const SOFT = 4;

/**
 * The area of a frame outside which it is the same picture as the frame before. In design units, without the soft edges
 * of what is in it: whoever asks adds a pixel or two. Null where nothing differs.
 */
export const changedArea = (before: DisplayList, now: DisplayList): Rect | null => unionOf(changes(before, now));

/** Areas that differ, between what two lists begin and end with alike. */
function changes(before: readonly DisplayNode[], now: readonly DisplayNode[]): Rect[] {
  const start = alikeFrom(before, now);
  const end = Math.min(alikeFrom(before.toReversed(), now.toReversed()), Math.min(before.length, now.length) - start);
  const [gone, come] = [before.slice(start, before.length - end), now.slice(start, now.length - end)];
  if (gone.length !== come.length) return areasOf([...gone, ...come]);
  return gone.flatMap((node, index) => changesOf(node, come[index] ?? node));
}

function alikeFrom(before: readonly DisplayNode[], now: readonly DisplayNode[]): number {
  const first = before.findIndex((node, index) => node !== now[index]);
  return first === -1 ? before.length : first;
}

/** Where one node differs from another that is painted in its stead. */
function changesOf(before: DisplayNode, now: DisplayNode): Rect[] {
  if (before === now) return [];
  if ("children" in before && "children" in now && isSameButForChildren(before, now))
    return changes(before.children, now.children).flatMap((area) => within(now, area));
  return isEqual(before, now) ? [] : areasOf([before, now]);
}

type Parent = Extract<DisplayNode, { children: unknown }>;

const isSameButForChildren = (before: Parent, now: Parent): boolean =>
  isEqual({ ...before, children: [] }, { ...now, children: [] });

const areasOf = (nodes: readonly DisplayNode[]): Rect[] => nodes.flatMap(areaOf);

/** What a node paints lies in it; nothing where it paints nothing. */
function areaOf(node: DisplayNode): Rect[] {
  switch (node.kind) {
    case "fill":
    case "picture":
    case "clip":
    case "emoji":
    case "texture":
      return [node.place];
    case "shape": {
      const box = outlineBounds(node.outline);
      return box ? [rect(box.x + node.at.x, box.y + node.at.y, box.width, box.height)] : [];
    }
    case "still":
      return [node.bounds];
    case "transformed":
    case "clipped":
    case "layer":
      return areasOf(node.children).flatMap((area) => within(node, area));
  }
}

/** Where something in a parent is seen that lies in an area of the parent's own. */
function within(parent: Parent, area: Rect): Rect[] {
  switch (parent.kind) {
    case "transformed":
      return [boundsOf(parent.map, inset(area, evenInsets(-SOFT)))];
    case "clipped": {
      const seen = intersection(area, parent.place);
      return seen ? [seen] : [];
    }
    case "layer":
      return [blurred(parent, area)];
    case "still":
      return [parent.bounds];
  }
}

const blurred = ({ blur = 0 }: LayerNode, area: Rect): Rect => inset(area, evenInsets(-BLUR_REACH * blur));
