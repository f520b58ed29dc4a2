import { boundsOf } from "../geometry/affine";
import { type Rect, evenInsets, inset, intersection, rect } from "../geometry/rect";
import { outlineBounds } from "../type/outline";
import { type DisplayNode } from "./displayList";

/** A blur of standard deviation 1 reaches no farther: three boxes in a row stand for it, of 1.88 each (SVG 1.1, 15.17). */
const BLUR_REACH = 3;
/** Edges are soft and snapped to pixels before they are mapped: so many design units are more than that. */
const SOFT = 4;

export type ParentNode = Extract<DisplayNode, { children: unknown }>;

/** What nodes paint lies in these areas, in design units and without the soft edges of shapes. */
export const paintedAreas = (nodes: readonly DisplayNode[]): Rect[] =>
  nodes.flatMap((node) => {
    if ("children" in node && node.kind !== "still") return seenThrough(node, paintedAreas(node.children));
    return ownArea(node) ?? [];
  });

/** The area that a node says of itself, whatever is in it. Null where it says none. */
export function ownArea(node: DisplayNode): Rect | null {
  if (node.kind === "shape") {
    const box = outlineBounds(node.outline);
    return box && rect(box.x + node.at.x, box.y + node.at.y, box.width, box.height);
  }
  if ("place" in node) return node.place;
  return node.kind === "still" ? node.bounds : null;
}

/** Where something in a parent is seen that lies in areas of the parent's own. Nowhere where it is cut away. */
export const seenThrough = (parent: ParentNode, areas: readonly Rect[]): Rect[] =>
  areas.flatMap((area) => seen(parent, area) ?? []);

function seen(parent: ParentNode, area: Rect): Rect | null {
  switch (parent.kind) {
    case "transformed":
      return boundsOf(parent.map, inset(area, evenInsets(-SOFT)));
    case "clipped":
      return intersection(area, parent.place);
    case "layer":
      return inset(area, evenInsets(-BLUR_REACH * (parent.blur ?? 0)));
    case "still":
      return parent.bounds;
  }
}
