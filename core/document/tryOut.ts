import { type MediaFacts } from "./facts";
import { scenesOf } from "./design";
import { PROMOTION_VERSION, type Fill, type Promotion, type TemplateRef } from "./promotion";
import { sampleFills } from "./sample";
import { type SlotKey, type Template, type WordsSlot, slotKey } from "./template";

/** What a draft is tried out with. */
export const TRIALS = ["usual words", "longest words", "no words", "right to left"] as const;
export type Trial = (typeof TRIALS)[number];

const LONG = "Everything on the long bench by the window and a good deal more than anybody would ever think of writing into a field of this size";
const RIGHT_TO_LEFT = "كل ما على الطاولة الطويلة قرب النافذة وأكثر من ذلك بكثير في هذا الأسبوع فقط";

/** A promotion that shows a template with extremes in its words, and sample media in its pictures. */
export function tryOut(template: Template, ref: TemplateRef, brand: string, product: string | null, trial: Trial, media: readonly MediaFacts[], hasProductPicture: boolean): Promotion {
  const fills: Record<SlotKey, Fill> = { ...sampleFills(template, media, hasProductPicture) };
  for (const scene of template.scenes)
    for (const slot of scene.slots) if (slot.kind === "words" && slot.role !== "stars" && slot.role !== "link") Object.assign(fills, trialFill(slotKey(scene, slot), slot, trial));
  return { version: PROMOTION_VERSION, name: template.name, template: ref, brand, product, offer: null, tune: null, scenes: scenesOf(ref, template), fills, changes: {}, spare: [] };
}

function trialFill(key: SlotKey, { budget }: WordsSlot, trial: Trial): Record<SlotKey, Fill> {
  const cut = (text: string, most: number): Fill => ({ kind: "words", text: [...text].slice(0, most).join("").trim() });
  switch (trial) {
    case "usual words":
      return {};
    case "longest words":
      return { [key]: cut(LONG, Math.min(160, Math.round(budget * 1.5))) };
    case "no words":
      return { [key]: { kind: "words", text: "" } };
    case "right to left":
      return { [key]: cut(RIGHT_TO_LEFT, budget) };
  }
}
