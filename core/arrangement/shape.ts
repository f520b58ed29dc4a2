import { RHYTHM } from "../geometry/column";
import { type Rect, type Size, bottom, rect, right } from "../geometry/rect";
import { type Shape, safeArea } from "../placement/formats";

/** Which way a shape is longer. */
export type Stance = "standing" | "square" | "lying";

export const stanceOf = ({ width, height }: Size): Stance =>
  height > width * 1.1 ? "standing" : width > height * 1.1 ? "lying" : "square";

export const steps = (count: number): number => count * RHYTHM;

/** The nearest multiple of the rhythm. */
export const toRhythm = (length: number): number => steps(Math.round(length / RHYTHM));

/** The part of a place that words may stand in: inside the safe area, and a pad away from the place's own edges. */
export function roomIn(shape: Shape, place: Rect, pad: number = steps(4)): Rect {
  const safe = safeArea(shape);
  const left = Math.max(safe.x, place.x + pad);
  const top = Math.max(safe.y, place.y + pad);
  return rect(
    left,
    top,
    Math.max(1, Math.min(right(safe), right(place) - pad) - left),
    Math.max(1, Math.min(bottom(safe), bottom(place) - pad) - top),
  );
}

/** Cuts a shape in two along one straight line. `share` of the longer way goes to the first, snapped to the rhythm. */
export function cutInTwo(shape: Size, beside: boolean, share: number): readonly [first: Rect, second: Rect] {
  const { width, height } = shape;
  if (beside) {
    const at = toRhythm(width * share);
    return [rect(0, 0, at, height), rect(at, 0, width - at, height)];
  }
  const at = toRhythm(height * share);
  return [rect(0, 0, width, at), rect(0, at, width, height - at)];
}

/** Cuts a place into equal parts with gaps, along x when `beside`. */
export function cutEvenly(place: Rect, count: number, gap: number, beside: boolean): Rect[] {
  const whole = beside ? place.width : place.height;
  const length = (whole - gap * (count - 1)) / count;
  return Array.from({ length: count }, (_, index) => {
    const start = index * (length + gap);
    return beside
      ? rect(place.x + start, place.y, length, place.height)
      : rect(place.x, place.y + start, place.width, length);
  });
}

/** How much is written: 0 for a few words, 1 for many, in steps so that a letter more moves nothing. */
export function wordiness(texts: readonly string[], few: number, many: number): number {
  const length = texts.reduce((sum, text) => sum + Array.from(text).length, 0);
  const amount = Math.min(1, Math.max(0, (length - few) / (many - few)));
  return Math.round(amount * 3) / 3;
}

/** A large square off the foot at the end, half out of the frame: depth for a ground that has nothing else on it. */
export function ornamentIn({ width, height }: Size): Rect {
  const side = Math.min(width, height) * 0.92;
  return rect(width - side * 0.66, height - side * 0.62, side, side);
}

/** The middle part of a room, as high as is needed. */
export function middleOf(room: Rect, height: number): Rect {
  const used = Math.min(room.height, height);
  return rect(room.x, room.y + (room.height - used) / 2, room.width, used);
}
