import { pointShown } from "../geometry/framedPicture";
import { type Rect, contains, rect } from "../geometry/rect";
import { cellMiddle, subjectMap } from "../picture/subjectMap";
import { momentFrame } from "../picture/tones";
import { framedIn, subjectIn } from "./framedMedia";
import { type ShownMedia } from "./sceneLayout";

/** Where parts of a picture's subject are seen, in design units, and how much of it each is. */
type SeenSubject = readonly { readonly spot: Rect; readonly weight: number }[];

/** Where the subject of a picture is seen in its place; of a clip, at every measured moment. */
export function subjectSeen({ media, framing }: Pick<ShownMedia, "media" | "framing">, place: Rect): SeenSubject[] {
  if (!media) return [];
  return (media.tones ?? [undefined]).map((tones, moment) => {
    const frame = media.kind === "clip" ? momentFrame(moment, media.frames) : undefined;
    const focal = frame === undefined ? media.focal : subjectIn(media, framing, frame);
    const framed = framedIn(media, place, framing, frame === undefined ? {} : { frame });
    return [...subjectMap(tones, focal)].flatMap((weight, cell) => {
      const at = pointShown(media, framed, cellMiddle(cell));
      return at ? [{ spot: rect(at.x, at.y, 0, 0), weight }] : [];
    });
  });
}

/** The share of the seen part of a subject that areas lie over, 0 to 1; the most at any moment. */
export function subjectCovered(moments: readonly SeenSubject[], areas: readonly Rect[]): number {
  const shares = moments.map((seen) => {
    const whole = sumOf(seen);
    const covered = seen.filter(({ spot }) => areas.some((area) => contains(area, spot)));
    return whole > 0 ? sumOf(covered) / whole : 0;
  });
  return Math.max(0, ...shares);
}

const sumOf = (seen: SeenSubject): number => seen.reduce((sum, { weight }) => sum + weight, 0);
