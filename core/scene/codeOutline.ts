import core from "qrcode/lib/core/qrcode.js";
import { type Rect } from "../geometry/rect";
import { type Outline, polygon } from "../type/outline";

/** Modules kept free around a code (ISO/IEC 18004: four). */
const QUIET = 4;

/** A link as it is written in a code: with its scheme. */
export const codedLink = (text: string): string => (/^[a-z][a-z0-9+.-]*:/i.test(text) ? text : `https://${text}`);

/** The dark modules of a QR code (ISO/IEC 18004, correction level M) of a text, in a square place with its quiet zone. */
export function codeOutline(text: string, place: Rect): Outline {
  const { size, data } = core.create(text, { errorCorrectionLevel: "M" }).modules;
  const module = Math.min(place.width, place.height) / (size + 2 * QUIET);
  const outline: number[] = [];
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) {
      if (!data[row * size + column]) continue;
      // Neighbours in a row are drawn as one, so that no hairline shows between them.
      let end = column;
      while (end + 1 < size && data[row * size + end + 1]) end++;
      const [x, y] = [place.x + (QUIET + column) * module, place.y + (QUIET + row) * module];
      const [right, below] = [place.x + (QUIET + end + 1) * module, y + module];
      outline.push(...polygon(x, y, right, y, right, below, x, below));
      column = end;
    }
  return outline;
}
