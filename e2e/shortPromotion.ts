import { randomUUID } from "node:crypto";
import { scenesOf } from "../core/document/design";
import { type Promotion } from "../core/document/promotion";
import { ONE_OFFER } from "../core/templates/priceDrops";
import { shippedRef } from "../core/templates/shipped";
import { millis } from "../core/units";
import { type TeamScope } from "../server/db/teamScope";
import { storedPromotion } from "./storedPromotion";

/**
 * Puts a promotion of two seconds into the database of the instance under test, so that a render takes seconds. Its headline
 * is its slug, so that no segment of it was rendered before.
 */
export async function putShortPromotion(slug: string): Promise<void> {
  const { scope, document } = await storedPromotion("potting-week-terracotta");
  const { hook, offer } = scenesOf(shippedRef(ONE_OFFER), ONE_OFFER);
  if (!hook || !offer) throw new Error("The template has other scenes.");
  const length = millis(1250);
  const short: Promotion = {
    ...document,
    name: slug,
    // The offer comes in over half a second.
    scenes: { hook, offer },
    placements: {},
    adjustments: { hook: { length }, offer: { length } },
    fills: { ...document.fills, "hook.headline": { kind: "words", text: slug } },
  };
  await putPromotion(scope, slug, short);
}

/** Puts a promotion into the database of the instance under test, as it is. */
export async function putPromotion(scope: TeamScope, slug: string, document: Promotion): Promise<void> {
  const json = JSON.stringify(document);
  const { id } = await scope
    .insert("promotion", { id: randomUUID(), slug, name: slug, document: json })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .insert("promotion_revision", { promotion_id: id, revision: 1, document: json, member_id: null })
    .execute();
}
