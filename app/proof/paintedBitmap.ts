import { type Size } from "../../core/geometry/rect";
import { type DisplayList } from "../../core/scene/displayList";
import { MARGIN, type Painter } from "../../paint/painter";

/** A frame as it is given to the page. @param size what the painter paints, in pixels */
export function paintedBitmap(painter: Painter, { width, height }: Size, list: DisplayList): Promise<ImageBitmap> {
  return createImageBitmap(painter.frame(list).image, MARGIN, MARGIN, width, height);
}
