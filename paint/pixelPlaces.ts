import { levelLength } from "../core/geometry/pyramid";
import { type Rect, bottom, rect, right } from "../core/geometry/rect";
import { type PictureNode } from "../core/scene/displayList";

/** A rectangle, its two axes scaled on their own. */
export const scaledPart = (part: Rect, x: number, y: number): Rect =>
  rect(part.x * x, part.y * y, part.width * x, part.height * y);

/** A place in whole pixels of the output: neighbours share their edge exactly. */
export function snapped(place: Rect, scaleX: number, scaleY: number): Rect {
  const [left, top] = [Math.round(place.x * scaleX), Math.round(place.y * scaleY)];
  return rect(left, top, Math.round(right(place) * scaleX) - left, Math.round(bottom(place) * scaleY) - top);
}

/** The part that a node shows of a picture, in pixels of one of its working copies. */
export const partOfLevel = ({ part, width, height }: PictureNode, level: number): Rect =>
  scaledPart(part, levelLength(width, level) / width, levelLength(height, level) / height);
