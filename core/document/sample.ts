import { mediaFill } from "./shots";
import { type ClipFacts, type MediaFacts, type PictureFacts } from "./facts";
import { type Fill, type Promotion } from "./promotion";
import { type MediaSlot, type PictureShape, type SlotKey, type Template, slotKey } from "./template";

const ratioOf = ({ width, height }: PictureFacts | ClipFacts): number => width / height;

/** How well a picture's shape answers what a slot asks for: 0 is right. */
export function shapeMiss(item: PictureFacts | ClipFacts, shape: PictureShape): number {
  const ratio = ratioOf(item);
  switch (shape) {
    case "any":
      return 0;
    case "tall":
      return Math.max(0, Math.log(ratio / 0.8));
    case "square":
      return Math.abs(Math.log(ratio)) < 0.2 ? 0 : Math.abs(Math.log(ratio));
    case "wide":
      return Math.max(0, Math.log(1.25 / ratio));
  }
}

/**
 * Fills for the slots of a template that would be empty, from media that is at hand: each item once before any is taken
 * again, those of the wanted shape first.
 */
export function sampleFills(
  template: Template,
  media: readonly MediaFacts[],
  hasProductPicture: boolean,
): Promotion["fills"] {
  const used = new Map<string, number>();
  const fills: Record<SlotKey, Fill> = {};
  for (const scene of template.scenes)
    for (const slot of scene.slots) {
      if (slot.kind !== "media" || !isEmpty(slot, hasProductPicture)) continue;
      const onCard = scene.arrangement.name === "cut-out-card";
      const fitting = media.filter(
        (item): item is PictureFacts | ClipFacts =>
          item.kind !== "sound" &&
          slot.accepts.includes(item.kind) &&
          (onCard || item.kind !== "picture" || item.cutOut !== true),
      );
      const rank = (item: PictureFacts | ClipFacts): number =>
        (used.get(item.id) ?? 0) * 10 + shapeMiss(item, slot.needs.shape);
      const [best] = [...fitting].sort((one, other) => rank(one) - rank(other));
      if (!best) continue;
      used.set(best.id, (used.get(best.id) ?? 0) + 1);
      fills[slotKey(scene, slot)] = mediaFill(best.id);
    }
  return fills;
}

/** Whether nothing but a choice would fill a slot. */
const isEmpty = (slot: MediaSlot, hasProductPicture: boolean): boolean =>
  slot.media === undefined &&
  (slot.from === "product" ? !hasProductPicture || !slot.accepts.includes("picture") : slot.from === "nothing");
