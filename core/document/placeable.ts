import { markOfKey } from "./brandMark";
import { findPromotionSlot, sceneOrigin } from "./design";
import { type TemplatesByRef } from "./facts";
import { itemOfKey } from "./itemKey";
import { type PlacedKey } from "./placedKey";
import { type Promotion } from "./promotion";

/**
 * Whether a person may place something by hand: items always, slots and marks of the brand where the template lets fillers.
 * @param free whether they may change what templates lock
 */
export function isPlaceable(document: Promotion, templates: TemplatesByRef, key: PlacedKey, free: boolean): boolean {
  if (itemOfKey(key) !== null) return true;
  const mark = markOfKey(key);
  if (mark) {
    const scene = document.scenes[mark.scene];
    return scene !== undefined && (free || sceneOrigin(templates, scene).allows.arrangement);
  }
  const slot = findPromotionSlot(document, templates, key)?.slot;
  return slot !== undefined && (free || slot.allows.position);
}
