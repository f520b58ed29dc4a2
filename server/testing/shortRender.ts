import { type Promotion } from "../../core/document/promotion";
import { scenesOf } from "../../core/document/design";
import { SHIPPED_BY_REF, shippedRef, shippedTemplate } from "../../core/templates/shipped";
import { defined } from "../../core/testing/defined";
import { promotionOf, testFacts } from "../../core/testing/promotions";
import { millis } from "../../core/units";
import { type RenderInput } from "../render/renderInput";

const WORDS_ONLY = defined(shippedTemplate("opening-hours"));

/** Scenes that show words alone, each of them so long. */
export function shortScenes(length: number): Pick<Promotion, "scenes" | "adjustments"> {
  const scenes = scenesOf(shippedRef(WORDS_ONLY), WORDS_ONLY);
  return {
    scenes,
    adjustments: Object.fromEntries(Object.keys(scenes).map((id) => [id, { length: millis(length) }])),
  };
}

/** What a render of words alone is made from: nothing of it is in any store. */
export function shortInput(length: number, change: Partial<Promotion> = {}): RenderInput {
  const document: Promotion = { ...promotionOf(WORDS_ONLY), ...shortScenes(length), ...change };
  const facts = testFacts();
  return {
    document,
    facts: { ...facts, brand: { ...facts.brand, logos: [] }, templates: SHIPPED_BY_REF, media: {} },
    hashes: {},
  };
}
