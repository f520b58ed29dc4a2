import { type ClipNode } from "../../core/scene/displayList";
import { type DecodedFrame, type PaintResources } from "../../paint/resources";

/**
 * Frames of clips made small once, for who paints one after another many times in sizes that are smaller still: a decoded
 * frame is costly to draw from.
 *
 * @param shortSide of the small frames, in pixels; smaller ones stay as they are
 */
export function smallFrames(
  { clipFrame, surface }: Pick<PaintResources, "clipFrame" | "surface">,
  shortSide: number,
): (node: ClipNode) => DecodedFrame | null {
  const made = new Map<string, { readonly from: DecodedFrame["image"]; readonly small: DecodedFrame }>();
  return (node) => {
    const frame = clipFrame(node);
    const scale = frame ? shortSide / Math.min(frame.width, frame.height) : 1;
    if (!frame || scale >= 1) return frame;
    const known = made.get(node.use);
    if (known?.from === frame.image) return known.small;
    const small = surface(Math.round(frame.width * scale), Math.round(frame.height * scale));
    small.context.drawImage(frame.image, 0, 0, small.width, small.height);
    made.set(node.use, { from: frame.image, small });
    return small;
  };
}
