import { randomUUID } from "node:crypto";
import { scenesOf } from "../core/document/design";
import { type Promotion } from "../core/document/promotion";
import { ONE_OFFER } from "../core/templates/priceDrops";
import { shippedRef } from "../core/templates/shipped";
import { millis } from "../core/units";
import { database } from "../server/db/connect";
import { teamScope } from "../server/db/teamScope";
import { promotionBySlug } from "../server/promotions/promotionStore";

/**
 * Puts a promotion of two seconds into the database of the instance under test, so that a render takes seconds. Its headline
 * is its slug, so that no segment of it was rendered before.
 */
export async function putShortPromotion(slug: string): Promise<void> {
  const model = await database()
    .selectFrom("promotion")
    .select("team_id")
    .where("slug", "=", "potting-week-terracotta")
    .executeTakeFirstOrThrow();
  const scope = teamScope(database(), model.team_id);
  const { document } = await promotionBySlug(scope, "potting-week-terracotta");
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
  const json = JSON.stringify(short);
  const { id } = await scope
    .insert("promotion", { id: randomUUID(), slug, name: slug, document: json })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .insert("promotion_revision", { promotion_id: id, revision: 1, document: json, member_id: null })
    .execute();
}
