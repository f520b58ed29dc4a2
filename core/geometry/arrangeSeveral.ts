import { type Rect, bottom, rect, right, union } from "./rect";

/** Ways of putting several rectangles in order, each by the box around all of them. */
export const ALIGNMENTS = ["left", "centre", "right", "top", "middle", "foot"] as const;
export type Alignment = (typeof ALIGNMENTS)[number];
export const DIRECTIONS = ["across", "down"] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** Moves rectangles so that an edge, or the middle, of each lies on that of the box around all. */
export function aligned(places: readonly Rect[], to: Alignment): Rect[] {
  if (places.length === 0) return [];
  const box = places.reduce(union);
  return places.map((place) => {
    const { width, height } = place;
    switch (to) {
      case "left":
        return rect(box.x, place.y, width, height);
      case "centre":
        return rect(box.x + (box.width - width) / 2, place.y, width, height);
      case "right":
        return rect(right(box) - width, place.y, width, height);
      case "top":
        return rect(place.x, box.y, width, height);
      case "middle":
        return rect(place.x, box.y + (box.height - height) / 2, width, height);
      case "foot":
        return rect(place.x, bottom(box) - height, width, height);
    }
  });
}

const lengthOf = ({ width, height }: Rect, way: Direction): number => (way === "across" ? width : height);
const startOf = ({ x, y }: Rect, way: Direction): number => (way === "across" ? x : y);
const startedAt = (place: Rect, way: Direction, start: number): Rect =>
  way === "across" ? { ...place, x: start } : { ...place, y: start };

/** Moves rectangles so that they follow one another with a gap, in the order in which they stand; the first stays. */
export function spaced(places: readonly Rect[], way: Direction, gap: number): Rect[] {
  const order = places.map((_, at) => at).sort((one, other) => startAt(places, one, way) - startAt(places, other, way));
  const moved = [...places];
  let start = startAt(places, order[0] ?? 0, way);
  for (const at of order) {
    const place = places[at];
    if (!place) continue;
    moved[at] = startedAt(place, way, start);
    start += lengthOf(place, way) + gap;
  }
  return moved;
}

const startAt = (places: readonly Rect[], at: number, way: Direction): number => {
  const place = places[at];
  return place ? startOf(place, way) : 0;
};

/** The mean gap between rectangles as they stand; below 0 where they lie over each other. */
export function gapOf(places: readonly Rect[], way: Direction): number {
  if (places.length < 2) return 0;
  const whole = lengthOf(places.reduce(union), way);
  return (whole - places.reduce((sum, place) => sum + lengthOf(place, way), 0)) / (places.length - 1);
}

/** Moves rectangles so that the gaps between them are equal; the first and the last stay. */
export const distributed = (places: readonly Rect[], way: Direction): Rect[] => spaced(places, way, gapOf(places, way));
