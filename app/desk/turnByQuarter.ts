import { targetOf } from "../../core/document/adjustments";
import { sceneDesign, sourced } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { type TemplatesByRef } from "../../core/document/facts";
import { type Promotion, type PromotionScene } from "../../core/document/promotion";
import { type MediaSlot, type SlotKey } from "../../core/document/sceneTemplate";

/** Turns what is in a slot by a quarter, clockwise, in every format. */
export function turnByQuarter(
  document: Promotion,
  templates: TemplatesByRef,
  { scene, slot, key }: { readonly scene: PromotionScene; readonly slot: MediaSlot; readonly key: SlotKey },
): Edit {
  const target = targetOf(key);
  const at = { ...sceneDesign(document, templates, scene), target, slot, format: null };
  const turned = sourced(document, "turned", at).value ?? 0;
  // From -180 to 180, as it is kept.
  const next = ((turned + 90 + 180) % 360) - 180;
  return adjust("turned", next === 0 ? null : next, { target });
}
