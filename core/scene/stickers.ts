import { type Sticker } from "../document/items";
import { type Rect } from "../geometry/rect";
import { type Outline, STEP, polygon } from "../type/outline";

/** Our own stickers: each fills its place. */
export const STICKER_OUTLINES: Readonly<Record<Sticker, (place: Rect) => Outline>> = {
  burst: (place) => burst(place, 14, 0.8),
  arrow: ({ x, y, width: w, height: h }) =>
    polygon(
      ...[x, y + h * 0.34, x + w * 0.55, y + h * 0.34, x + w * 0.55, y + h * 0.08, x + w, y + h * 0.5],
      ...[x + w * 0.55, y + h * 0.92, x + w * 0.55, y + h * 0.66, x, y + h * 0.66, x + w * 0.12, y + h * 0.5],
    ),
  tick: ({ x, y, width: w, height: h }) =>
    polygon(
      ...[x, y + h * 0.56, x + w * 0.16, y + h * 0.4, x + w * 0.38, y + h * 0.62],
      ...[x + w * 0.84, y + h * 0.12, x + w, y + h * 0.28, x + w * 0.38, y + h * 0.94],
    ),
};

/** A round with `points` points, whose dents reach in to `depth` of its radius. */
export function burst({ x, y, width, height }: Rect, points: number, depth: number): Outline {
  const corners = Array.from({ length: points * 2 }, (_, index) => {
    const angle = (Math.PI * index) / points - Math.PI / 2;
    const reach = index % 2 === 0 ? 0.5 : 0.5 * depth;
    // Rounded, because platforms differ in the last bits of a sine.
    const at = (share: number): number => Math.round(share * 1e6) / 1e6;
    return [x + width * at(0.5 + reach * Math.cos(angle)), y + height * at(0.5 + reach * Math.sin(angle))];
  });
  return corners.flatMap(([cx = 0, cy = 0], index) => [index === 0 ? STEP.move : STEP.line, cx, cy]).concat(STEP.close);
}
