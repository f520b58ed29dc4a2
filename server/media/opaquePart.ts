import { type Rect, rect } from "../../core/geometry/rect";

/** Alpha up to this counts as nothing: faint halos of anti-aliasing. */
const NOTHING = 8;

/** The smallest rectangle around everything that can be seen in RGBA pixels; null when nothing can. */
export function opaquePart(rgba: Uint8Array, width: number, height: number): Rect | null {
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if ((rgba[(y * width + x) * 4 + 3] ?? 0) <= NOTHING) continue;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = y;
    }
  return right < 0 ? null : rect(left, top, right - left + 1, bottom - top + 1);
}
