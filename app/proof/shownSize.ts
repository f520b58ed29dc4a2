import { type Size } from "../../core/geometry/rect";

/** How many pixels of the screen an element takes. */
export function shownSize(element: Element): Size {
  const { width, height } = element.getBoundingClientRect();
  const pixels = (length: number): number => Math.max(1, Math.round(length * devicePixelRatio));
  return { width: pixels(width), height: pixels(height) };
}
