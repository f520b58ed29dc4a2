import { findPromotionSlot, sceneOrigin } from "./design";
import { type TemplatesByRef } from "./facts";
import { type PlacedKey, readPlacedKey } from "./placedKey";
import { type Promotion } from "./promotion";

/**
 * Whether a person may place something by hand: items always, slots and marks of the brand where the template lets fillers.
 * @param free whether they may change what templates lock
 */
export function isPlaceable(document: Promotion, templates: TemplatesByRef, key: PlacedKey, free: boolean): boolean {
  const placed = readPlacedKey(key);
  switch (placed.kind) {
    case "item":
      return true;
    case "mark": {
      const scene = document.scenes[placed.scene];
      return scene !== undefined && (free || sceneOrigin(templates, scene).allows.arrangement);
    }
    case "slot": {
      const slot = findPromotionSlot(document, templates, placed.slot)?.slot;
      return slot !== undefined && (free || slot.allows.position);
    }
  }
}
