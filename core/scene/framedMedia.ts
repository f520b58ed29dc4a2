import { type ClipFacts, type PictureFacts } from "../document/facts";
import { type AnyColor, type Behind } from "../document/behind";
import { type SlotFraming } from "../document/slotFraming";
import { type FramedPicture, PLAIN_FRAMING, framedPicture } from "../geometry/framedPicture";
import { mapped, turning } from "../geometry/affine";
import { type FocalPoint } from "../geometry/framing";
import { subjectAt } from "../geometry/subjectPath";
import { type Rect, centreOf } from "../geometry/rect";
import { isColorRole } from "../color/palette";
import { type BrandStyle } from "./brandStyle";
import { type DisplayNode, type Ink } from "./displayList";
import { BLUR, coverNode, tableNamed } from "./pictureNodes";

/** How a picture or clip lies in a place. @param zoom times its own enlargement @param frame of a clip that is seen */
export const framedIn = (
  media: PictureFacts | ClipFacts,
  place: Rect,
  framing: SlotFraming | null,
  { zoom = 1, frame }: { readonly zoom?: number; readonly frame?: number } = {},
): FramedPicture =>
  framedPicture(media, place, framing ? { ...framing, way: framing.way ?? "fill" } : PLAIN_FRAMING, {
    focal: frame === undefined ? media.focal : subjectIn(media, framing, frame),
    zoom,
  });

/** Where the subject is at a frame: on its path, unless nothing follows it. In shares of the picture. */
export function subjectIn(media: PictureFacts | ClipFacts, framing: SlotFraming | null, frame: number): FocalPoint {
  if (media.kind !== "clip" || framing?.follows === false) return media.focal;
  return subjectAt(media.subject ?? null, framing?.bends ?? [], frame, media.focal);
}

/** A picture, or a frame of a clip, as it lies in its place. @param frame of a clip, with the use that it is of */
export function framedNode(
  media: PictureFacts | ClipFacts,
  { part, place, map, clip, leastScale }: FramedPicture,
  frame?: { readonly use: string; readonly frame: number },
): DisplayNode {
  const { id, width, height } = media;
  const colors = tableNamed(media);
  const drawn: DisplayNode = frame
    ? { kind: "clip", media: id, use: frame.use, width, height, frame: frame.frame, part, place, ...colors }
    : { kind: "picture", media: id, width, height, levels: media.levels, part, place, leastScale, ...colors };
  const mappedNode: DisplayNode = map ? { kind: "transformed", alpha: 1, map, children: [drawn] } : drawn;
  return clip ? { kind: "clipped", place: clip, children: [mappedNode] } : mappedNode;
}

/** What is seen beside a picture that leaves its place free. */
export function behindNodes(
  media: PictureFacts | ClipFacts,
  place: Rect,
  { way, behind }: SlotFraming,
  {
    style,
    ground,
    picture,
  }: { readonly style: BrandStyle; readonly ground: AnyColor; readonly picture: PictureFacts | ClipFacts | null },
): DisplayNode[] {
  if (way === "over its blur") return [{ kind: "still", bounds: place, children: [coverNode(media, place, 1, BLUR)] }];
  if (way !== "whole" && way !== "strip") return [];
  const seen: Behind = behind ?? { kind: "color", color: ground };
  const inkOf = (color: AnyColor): string => (isColorRole(color) ? style.palette[color] : color);
  switch (seen.kind) {
    case "color":
      return [{ kind: "fill", place, ink: inkOf(seen.color) }];
    case "gradient":
      return [{ kind: "fill", place, ink: gradientOver(place, seen, inkOf) }];
    case "picture":
      return picture ? [coverNode(picture, place)] : [{ kind: "fill", place, ink: style.blank }];
  }
}

/** From edge to edge at its angle, as the gradient line of CSS Images 3 is as long as it must be to reach the corners. */
function gradientOver(
  place: Rect,
  { from, to, angle }: Extract<Behind, { kind: "gradient" }>,
  inkOf: (color: AnyColor) => string,
): Ink {
  const middle = centreOf(place);
  const radians = (angle * Math.PI) / 180;
  const length = Math.abs(place.width * Math.cos(radians)) + Math.abs(place.height * Math.sin(radians));
  const turn = turning(angle, middle);
  return {
    from: mapped(turn, { x: middle.x - length / 2, y: middle.y }),
    to: mapped(turn, { x: middle.x + length / 2, y: middle.y }),
    stops: [
      [0, inkOf(from)],
      [1, inkOf(to)],
    ],
  };
}
