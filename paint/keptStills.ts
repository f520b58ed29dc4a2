import isEqual from "fast-deep-equal/es6/index.js";
import { type Rect } from "../core/geometry/rect";
import { type StillNode } from "../core/scene/displayList";
import { type Surface } from "./resources";

/** A still as it was rasterised: where it lies on a surface, and where it goes in the frame. */
export interface KeptStill {
  readonly surface: Surface;
  readonly from: Rect;
  readonly x: number;
  readonly y: number;
}

export interface KeptStills {
  /** What was kept of a still, or of another that looks just like it. */
  find(node: StillNode): KeptStill | undefined;
  keep(node: StillNode, still: KeptStill): void;
  drop(node: StillNode): void;
}

/**
 * Rasterised stills by what they look like: while somebody types, a scene is set anew at each key, but its picture, its
 * ground and its other words come out as they were.
 */
export function keptStills(): KeptStills {
  const kept = new Map<StillNode, KeptStill>();
  /** Which kept still looks like a node that is not kept itself. */
  const twins = new WeakMap<StillNode, StillNode>();

  return {
    find(node) {
      const own = kept.get(node) ?? kept.get(twins.get(node) ?? node);
      if (own) return own;
      for (const [other, still] of kept)
        if (isEqual(other.bounds, node.bounds) && isEqual(other.children, node.children)) {
          twins.set(node, other);
          return still;
        }
      return undefined;
    },
    keep: (node, still) => void kept.set(node, still),
    drop: (node) => void kept.delete(node),
  };
}
