import { CORNERS, type Corner } from "../brand/book";
import { type BrandFacts, type PictureFacts } from "../document/facts";
import { RHYTHM } from "../geometry/column";
import { containPlace } from "../geometry/framing";
import { type Rect, evenInsets, inset, overlaps, rect } from "../geometry/rect";
import { type Shape, safeArea } from "../placement/formats";
import { containNode } from "./pictureNodes";
import { type PlacedSlot, type ScenePart } from "./prepared";

/** How many times as wide as high a watermark may be. */
const WIDEST = 3;

/** A scene that a watermark is to stand in. */
export interface MarkedScene {
  readonly shape: Shape;
  /** What stands there. */
  readonly slots: readonly PlacedSlot[];
  /** Where it was placed by hand. */
  readonly byHand?: Rect | undefined;
}

/**
 * The brand's small mark over a scene: where it was placed by hand, else in the wanted corner of the safe area, or in the
 * next one that is free of words. Null when the brand has no logo or every corner is taken.
 */
export function watermark(
  brand: BrandFacts,
  wanted: NonNullable<BrandFacts["watermark"]>,
  { shape, slots, byHand }: MarkedScene,
): { readonly part: ScenePart; readonly place: Rect } | null {
  const mark = (brand.logos.find(({ variant }) => variant === "mark") ?? brand.logos[0])?.picture;
  if (!mark) return null;
  const place = byHand
    ? containPlace(mark, byHand)
    : freeCorner(mark, wanted, brand.logoRules.clearSpace, { shape, slots });
  return place
    ? {
        place,
        part: { kind: "fixed", node: { kind: "layer", alpha: wanted.opacity, children: [containNode(mark, place)] } },
      }
    : null;
}

/** The first corner where it has its clear space; where there is none, the first in which it covers nothing. */
function freeCorner(
  mark: PictureFacts,
  { corner: first, size }: NonNullable<BrandFacts["watermark"]>,
  clearSpace: number,
  { shape, slots }: Pick<MarkedScene, "shape" | "slots">,
): Rect | undefined {
  const taken = slots.filter(({ kind }) => kind !== "picture").map(({ place }) => place);
  const places = [first, ...CORNERS.filter((corner) => corner !== first)].map((corner) =>
    cornerPlace(mark, corner, size, shape),
  );
  const isFree = (by: number) => (one: Rect) => !taken.some((other) => overlaps(inset(one, evenInsets(-by)), other));
  const clear = (places[0]?.height ?? 0) * clearSpace;
  return places.find(isFree(Math.max(RHYTHM, clear))) ?? places.find(isFree(RHYTHM));
}

function cornerPlace(mark: PictureFacts, corner: Corner, size: number, shape: Shape): Rect {
  const safe = safeArea(shape);
  const height = Math.min(shape.width, shape.height) * size;
  const { width, height: inside } = containPlace(mark, rect(0, 0, Math.min(height * WIDEST, safe.width), height));
  const x = corner.endsWith("left") ? safe.x : safe.x + safe.width - width;
  const y = corner.startsWith("top") ? safe.y : safe.y + safe.height - inside;
  return rect(x, y, width, inside);
}
