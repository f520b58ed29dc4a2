import { type ClipFacts, type PictureFacts } from "../document/facts";
import { tableOf } from "../document/look";
import { CENTRE, containPlace, coverPart } from "../geometry/framing";
import { type Rect } from "../geometry/rect";
import { type DisplayNode, type PictureNode } from "./displayList";

/** How strongly a picture is blurred behind words and behind itself, in design units. */
export const BLUR = 28;

/** How the colours of a picture or clip are changed, as a node has it. */
export function tableNamed({ shownLook }: Pick<PictureFacts | ClipFacts, "shownLook">): Pick<PictureNode, "table"> {
  const table = tableOf(shownLook);
  return table ? { table } : {};
}

/** A picture that fills its place; `zoom` 1 fills exactly. Every zoom of a scene draws the same working copy. */
export function coverNode(picture: PictureFacts | ClipFacts, place: Rect, zoom = 1, blur = 0): PictureNode {
  const { id, width, height, levels } = picture;
  const leastScale = Math.max(place.width / width, place.height / height);
  const node: PictureNode = {
    kind: "picture",
    media: id,
    width,
    height,
    levels,
    part: coverPart(picture, place, picture.focal, zoom),
    place,
    leastScale,
    ...tableNamed(picture),
  };
  return blur > 0 ? { ...node, blur } : node;
}

/** A whole picture inside its place. */
export function containNode(picture: PictureFacts, place: Rect): PictureNode {
  const { id, width, height, levels } = picture;
  const inside = containPlace(picture, place, CENTRE);
  const leastScale = inside.width / width;
  return {
    kind: "picture",
    media: id,
    width,
    height,
    levels,
    part: { x: 0, y: 0, width, height },
    place: inside,
    leastScale,
    ...tableNamed(picture),
  };
}

/**
 * A node that is drawn while it is scaled: a picture then takes the working copy of that size, since browser and server
 * differ where a copy is drawn under half its size.
 */
export const drawnSmaller = (node: DisplayNode, scale: number): DisplayNode =>
  node.kind === "picture" && scale < 1 ? { ...node, leastScale: node.leastScale * scale } : node;
