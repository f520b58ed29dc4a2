import { mediaFill } from "./shots";
import { type ClipFacts, type MediaFacts, type PictureFacts } from "./facts";
import { SHAPE_RATIOS } from "./mediaNeed";
import { type Fill, type Promotion } from "./promotion";
import { type MediaSlot, type PictureShape, type SlotKey, slotKey } from "./sceneTemplate";
import { type Template } from "./template";

const ratioOf = ({ width, height }: PictureFacts | ClipFacts): number => width / height;

/** How far a picture is from the shape that a slot asks for: 0 is right. */
export function shapeMiss(item: PictureFacts | ClipFacts, shape: PictureShape): number {
  const ratio = ratioOf(item);
  const { least, most } = SHAPE_RATIOS[shape];
  if (ratio < least) return Math.log(least / ratio);
  return ratio > most ? Math.log(ratio / most) : 0;
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
