import { type Look, type LookStep, overlaysOf } from "../document/look";
import { withAlpha } from "../color/srgb";
import { BRIGHTEST, DARKEST, LEAKED, type OverlayName } from "../grading/overlays";
import { type Rect, centreOf, rect } from "../geometry/rect";
import { type DisplayNode, type Ink } from "./displayList";

export type Overlay = Extract<LookStep, { kind: "overlay" }>;

/** Grain changes so often in a second, as that of film does. */
const GRAINS_A_SECOND = 12;
/** Where it lies then, in shares of its tile: no two after each other are near. */
const GRAIN_STEP = { x: 0.382, y: 0.618 } as const;
/** A light goes to and fro once in so many milliseconds. */
const LIGHT_MS = 9000;
const FRAME_SHARE = 0.035;
const GRAIN_ALPHA = 0.55;

interface RestingOverlay {
  readonly kind: "resting";
  readonly node: DisplayNode;
}
interface MovingOverlay {
  readonly kind: "moving";
  readonly overlay: Overlay;
}
/** Something laid over a picture in its place: the same in every frame, or made anew for each. */
export type PlacedOverlay = RestingOverlay | MovingOverlay;

/** Whether it looks different from one moment to the next. */
const overlayMoves = (name: OverlayName): boolean => name === "grain" || name.startsWith("light");

/** What a look lays over a picture. @param frameInk the colour of a frame */
export const placedOverlays = (look: Look | undefined, place: Rect, frameInk: string): PlacedOverlay[] =>
  overlaysOf(look).map((overlay) =>
    overlayMoves(overlay.overlay)
      ? { kind: "moving", overlay }
      : { kind: "resting", node: overlayNode(overlay, place, { time: 0, frameInk }) },
  );

/** What lies over a picture at a time. @param time milliseconds from the beginning of its shot */
export const overlaidAt = (over: readonly PlacedOverlay[], place: Rect, time: number): DisplayNode[] =>
  over.map((one) =>
    one.kind === "resting" ? one.node : overlayNode(one.overlay, place, { time, frameInk: "#ffffff" }),
  );

function overlayNode(
  { overlay, strength }: Overlay,
  place: Rect,
  { time, frameInk }: { readonly time: number; readonly frameInk: string },
): DisplayNode {
  switch (overlay) {
    case "vignette":
      return { kind: "fill", place, ink: vignette(place, strength) };
    case "grain": {
      const step = Math.floor((time * GRAINS_A_SECOND) / 1000);
      const offset = { x: (step * GRAIN_STEP.x) % 1, y: (step * GRAIN_STEP.y) % 1 };
      return {
        kind: "layer",
        alpha: strength * GRAIN_ALPHA,
        blend: "overlay",
        children: [{ kind: "texture", texture: "grain", place, offset }],
      };
    }
    case "paper":
      return {
        kind: "layer",
        alpha: strength,
        blend: "multiply",
        children: [{ kind: "texture", texture: "paper", place, offset: { x: 0, y: 0 } }],
      };
    case "light from the side":
    case "light from a corner":
      return {
        kind: "layer",
        alpha: 1,
        blend: "screen",
        children: [{ kind: "fill", place, ink: light(place, overlay === "light from the side", { strength, time }) }],
      };
    case "frame":
      return { kind: "layer", alpha: strength, children: frame(place, frameInk) };
  }
}

/** Nothing in the middle, dark in the corners. */
function vignette(place: Rect, strength: number): Ink {
  const radius = Math.hypot(place.width, place.height) / 2;
  return {
    centre: centreOf(place),
    radius,
    stops: [
      [0, "rgba(0, 0, 0, 0)"],
      [0.45, "rgba(0, 0, 0, 0)"],
      [0.75, withAlpha("#000000", DARKEST * strength * 0.38)],
      [1, withAlpha("#000000", DARKEST * strength)],
    ],
  };
}

/** Light from beyond an edge, which comes and goes a little. */
function light(
  place: Rect,
  fromSide: boolean,
  { strength, time }: { readonly strength: number; readonly time: number },
): Ink {
  const swing = Math.sin((2 * Math.PI * time) / LIGHT_MS);
  const { x, y, width, height } = place;
  const centre = fromSide
    ? { x: x - width * 0.12, y: y + height * (0.42 + 0.12 * swing) }
    : { x: x + width * (0.94 + 0.06 * swing), y: y - height * 0.06 };
  const most = BRIGHTEST * strength;
  return {
    centre,
    radius: Math.max(width, height) * (fromSide ? 0.62 : 0.74) * (1 + 0.08 * swing),
    stops: [
      [0, withAlpha(LEAKED, most)],
      [0.35, withAlpha(LEAKED, most * 0.62)],
      [0.7, withAlpha(LEAKED, most * 0.18)],
      [1, withAlpha(LEAKED, 0)],
    ],
  };
}

function frame({ x, y, width, height }: Rect, ink: string): DisplayNode[] {
  const wide = Math.min(width, height) * FRAME_SHARE;
  const inner = height - 2 * wide;
  return [
    rect(x, y, width, wide),
    rect(x, y + height - wide, width, wide),
    rect(x, y + wide, wide, inner),
    rect(x + width - wide, y + wide, wide, inner),
  ].map((place): DisplayNode => ({ kind: "fill", place, ink }));
}
