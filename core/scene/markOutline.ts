import { type Rect } from "../geometry/rect";
import { type Outline, polygon } from "../type/outline";

/** A quotation mark as if cut from card: two wedges side by side that fill a place. */
export function markOutline({ x, y, width, height }: Rect): Outline {
  const wedge = width * 0.42;
  const at = (left: number): Outline =>
    polygon(
      left + wedge * 0.55,
      y,
      left + wedge,
      y,
      left + wedge * 0.66,
      y + height * 0.42,
      left + wedge,
      y + height * 0.42,
      left + wedge,
      y + height,
      left,
      y + height,
      left,
      y + height * 0.5,
    );
  return [...at(x), ...at(x + width - wedge)];
}
