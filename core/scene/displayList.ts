import { type Affine } from "../geometry/affine";
import { type LookupTable } from "../grading/lookupTable";
import { type Point, type Rect } from "../geometry/rect";
import { type TextureName } from "../picture/textures";
import { type Outline } from "../type/outline";

/**
 * What a frame is made of, back to front. Plain data in design units; `paint/` turns it into pixels and knows nothing of
 * scenes. Every node is either made anew for a frame or the very same object as in the frame before, so two lists whose
 * nodes are identical paint the same picture.
 */
export type DisplayList = readonly DisplayNode[];

export type DisplayNode =
  | FillNode
  | ShapeNode
  | PictureNode
  | ClipNode
  | EmojiNode
  | TextureNode
  | TransformNode
  | ClippedNode
  | StillNode
  | LayerNode;

export type Ink = string | LinearGradient | RadialGradient;

export interface LinearGradient {
  readonly from: Point;
  readonly to: Point;
  /** Offsets 0 to 1, in order, with CSS colours. */
  readonly stops: readonly (readonly [number, string])[];
}

/** From a point outwards, alike in all directions. */
export interface RadialGradient {
  readonly centre: Point;
  /** In design units. */
  readonly radius: number;
  /** Offsets 0 to 1, in order, with CSS colours. */
  readonly stops: readonly (readonly [number, string])[];
}

/** A filled rectangle. */
export interface FillNode {
  readonly kind: "fill";
  readonly place: Rect;
  readonly ink: Ink;
}

/** A filled outline: words, cards, rules. */
export interface ShapeNode {
  readonly kind: "shape";
  readonly outline: Outline;
  readonly at: Point;
  readonly ink: string;
}

/** A part of a picture drawn into a place. */
export interface PictureNode {
  readonly kind: "picture";
  readonly media: string;
  /** Size of the largest working copy and how many copies there are. */
  readonly width: number;
  readonly height: number;
  readonly levels: number;
  /** In pixels of the largest working copy. */
  readonly part: Rect;
  readonly place: Rect;
  /** Design units per pixel of the largest copy at the smallest the picture is drawn while it is on screen. */
  readonly leastScale: number;
  /** Blur radius (standard deviation) in design units. */
  readonly blur?: number;
  /** How its colours are changed. */
  readonly table?: LookupTable;
}

/** A part of one frame of a clip drawn into a place. */
export interface ClipNode {
  readonly kind: "clip";
  readonly media: string;
  /** Which of the uses of the clip this is: two of them may show different frames at once. */
  readonly use: string;
  readonly width: number;
  readonly height: number;
  readonly frame: number;
  readonly part: Rect;
  readonly place: Rect;
  /** How its colours are changed. */
  readonly table?: LookupTable;
}

export interface EmojiNode {
  readonly kind: "emoji";
  readonly code: string;
  readonly place: Rect;
}

/** A pattern that repeats all over a place. */
export interface TextureNode {
  readonly kind: "texture";
  readonly texture: TextureName;
  readonly place: Rect;
  /** How far its tiles are shifted, in shares of a tile. */
  readonly offset: Point;
}

/** Nodes faded and mapped: moved, scaled, turned, mirrored. Children must not cover one another where alpha is below 1. */
export interface TransformNode {
  readonly kind: "transformed";
  readonly alpha: number;
  readonly map: Affine;
  /** Moved by whole pixels and nothing else, as what has to meet its neighbour's edge is. */
  readonly whole?: true;
  readonly children: readonly DisplayNode[];
}

/** Nodes of which only what lies in a place is seen: a wipe. */
export interface ClippedNode {
  readonly kind: "clipped";
  readonly place: Rect;
  readonly children: readonly DisplayNode[];
}

/** Nodes that look the same in every frame: rasterised once, then copied. */
export interface StillNode {
  readonly kind: "still";
  /** Must contain everything the children paint. */
  readonly bounds: Rect;
  readonly children: readonly DisplayNode[];
}

/** How a layer's colours meet those below it. Names and formulas: W3C Compositing and Blending 1, section 10. */
export const BLENDS = ["multiply", "screen", "overlay", "soft-light", "darken", "lighten"] as const;
export type Blend = (typeof BLENDS)[number];

/** What of a layer is seen: what lies inside an outline, or as much as a gradient's alpha says at each point. */
export type Mask =
  | { readonly kind: "outline"; readonly outline: Outline; readonly at: Point }
  | { readonly kind: "gradient"; readonly place: Rect; readonly gradient: LinearGradient };

/** Nodes painted on their own and laid over the rest as one: a crossfade's coming scene, a mark, a masked picture. */
export interface LayerNode {
  readonly kind: "layer";
  readonly alpha: number;
  /** Laid over as it is when absent. */
  readonly blend?: Blend;
  /** Blur radius (standard deviation) in design units. What is blurred away at the frame's edges is nothing. */
  readonly blur?: number;
  readonly mask?: Mask;
  readonly children: readonly DisplayNode[];
}

/** Whether two frames are the same picture without looking deeper than their nodes' identity. */
export const sameFrame = (one: DisplayList, other: DisplayList): boolean =>
  one.length === other.length && one.every((node, index) => node === other[index]);

/** How many nodes two lists have in common at the front. @param isAlike whether two are; the very same where it is not said */
export function alikeAtStart(
  one: readonly DisplayNode[],
  other: readonly DisplayNode[],
  isAlike: (node: DisplayNode, another: DisplayNode | undefined) => boolean = (node, another) => node === another,
): number {
  const first = one.findIndex((node, index) => !isAlike(node, other[index]));
  return first < 0 ? one.length : first;
}

/** Every node of a list, containers included. */
export function* everyNode(list: readonly DisplayNode[]): Generator<DisplayNode> {
  for (const node of list) {
    yield node;
    if ("children" in node) yield* everyNode(node.children);
  }
}

/** The clips that a list shows. */
export const clipsIn = (list: readonly DisplayNode[]): ClipNode[] =>
  [...everyNode(list)].filter((node) => node.kind === "clip");
