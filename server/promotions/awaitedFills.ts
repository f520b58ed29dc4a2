import { isDeepStrictEqual } from "node:util";
import { fillSlot } from "../../core/document/edits";
import { mediaFill } from "../../core/document/shots";
import { type SlotKey, isSlotKey } from "../../core/document/sceneTemplate";
import { type TeamScope } from "../db/teamScope";
import { log } from "../log";
import { promotionBySlug, saveEdits } from "./promotionStore";

/** Where something that is being read in is to be shown. */
export interface AwaitedPlace {
  /** The promotion's slug. */
  readonly promotion: string;
  readonly slot: SlotKey;
}

/**
 * Has a slot filled with an item once that has been read in, wherever the person is by then. What was awaited for the slot
 * before is not any more. Throws a 404 where there is no such promotion.
 */
export async function awaitFill(
  scope: TeamScope,
  media: string,
  { promotion, slot }: AwaitedPlace,
  memberId: string,
): Promise<void> {
  const { id, document } = await promotionBySlug(scope, promotion);
  const fill = { media_id: media, member_id: memberId, was: JSON.stringify(document.fills[slot] ?? null) };
  await scope
    .insert("awaited_fill", { promotion_id: id, slot, ...fill })
    .onConflict((conflict) => conflict.columns(["promotion_id", "slot"]).doUpdateSet(fill))
    .execute();
  // It may have been read in before this was noted.
  const item = await scope.media().select("state").where("id", "=", media).executeTakeFirst();
  if (item?.state === "ready") await fillAwaiting(scope, media);
}

/** Fills the slots that wait for an item, which is ready. Where somebody filled one otherwise meanwhile, that stays. */
export async function fillAwaiting(scope: TeamScope, media: string): Promise<void> {
  const awaiting = await scope
    .select("awaited_fill")
    .innerJoin("promotion", "promotion.id", "awaited_fill.promotion_id")
    .innerJoin("member", "member.id", "awaited_fill.member_id")
    .select(["promotion.slug", "slot", "was", "member.id", "member.role", "member.name"])
    .where("media_id", "=", media)
    .execute();
  for (const { slug, slot, was, ...member } of awaiting) {
    if (!isSlotKey(slot) || member.role === "reviewer") continue;
    const { document, revision } = await promotionBySlug(scope, slug);
    if (!isDeepStrictEqual(document.fills[slot] ?? null, was)) continue;
    const edits = [fillSlot(slot, mediaFill(media))];
    const { refused } = await saveEdits(scope, slug, { base: revision, edits, member });
    for (const { problem } of refused) log.info({ media, promotion: slug, slot, problem }, "fill refused");
  }
  await forgetAwaiting(scope, media);
}

/** Nothing waits for an item any more: its slots are filled, or stay as they are as it could not be read in. */
export async function forgetAwaiting(scope: TeamScope, media: string): Promise<void> {
  await scope.remove("awaited_fill").where("media_id", "=", media).execute();
}

/**
 * The names of the items that are being read in for slots of a promotion, the first asked for first. Of one that has been read
 * in, or could not be, pages are told before nothing waits for it any more: whoever looks then must not find it.
 */
export async function awaitedBy(scope: TeamScope, promotionId: string): Promise<readonly string[]> {
  const rows = await scope
    .select("awaited_fill")
    .innerJoin("media", "media.id", "awaited_fill.media_id")
    .select("media.name")
    .where("promotion_id", "=", promotionId)
    .where("media.deleted_at", "is", null)
    .where("media.state", "in", ["waiting", "working"])
    .orderBy("awaited_fill.created_at")
    .execute();
  return rows.map(({ name }) => name);
}
