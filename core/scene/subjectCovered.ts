import { pointShown } from "../geometry/framedPicture";
import { type Rect, contains, rect } from "../geometry/rect";
import { cellMiddle, subjectMap } from "../picture/subjectMap";
import { momentFrame } from "../picture/tones";
import { framedIn, subjectIn } from "./framedMedia";
import { type ShownMedia } from "./sceneLayout";

/**
 * The share of the seen part of a picture's subject that areas lie over, 0 to 1; of a clip, the most at any measured moment.
 *
 * @param place of the picture
 */
export function subjectCovered({ media, framing }: ShownMedia, place: Rect, areas: readonly Rect[]): number {
  if (!media) return 0;
  const moments = media.tones ?? [undefined];
  const shares = moments.map((tones, moment) => {
    const frame = media.kind === "clip" ? momentFrame(moment, media.frames) : undefined;
    const focal = frame === undefined ? media.focal : subjectIn(media, framing, frame);
    const framed = framedIn(media, place, framing, frame === undefined ? {} : { frame });
    let [seen, covered] = [0, 0];
    subjectMap(tones, focal).forEach((weight, cell) => {
      const at = pointShown(media, framed, cellMiddle(cell));
      if (!at) return;
      seen += weight;
      const spot = rect(at.x, at.y, 0, 0);
      if (areas.some((area) => contains(area, spot))) covered += weight;
    });
    return seen > 0 ? covered / seen : 0;
  });
  return Math.max(0, ...shares);
}
