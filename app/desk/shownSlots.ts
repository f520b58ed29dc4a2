import { type BrandMark, type MarkKey, markOfKey } from "../../core/document/brandMark";
import { type ItemKey, itemKey } from "../../core/document/itemKey";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type Rect, union } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { type ProofSheet, type SheetItem, type SheetSlot } from "../../core/scene/proofSheet";
import { sceneMostSeen } from "../../core/time/timeline";
import { type ProofEngine } from "../proof/proofEngine";

/** What is on a proof at its present moment. */
export function slotsNow(engine: ProofEngine | null, format: FormatName): readonly SheetSlot[] {
  const state = engine?.state();
  const prepared = state?.prepared.find((one) => one.format === format);
  if (!state || !prepared) return [];
  return prepared.scenes[sceneMostSeen(prepared.spans, state.time)]?.slots ?? [];
}

/** What is placed: a slot, an item, or a mark of the brand. */
export type PlacedKey = SlotKey | ItemKey | MarkKey;

/** Which mark of the brand stands in a scene, in whatever format; null for none. @param scene its index among those shown */
export function markIn(sheets: readonly ProofSheet[], scene: number): BrandMark | null {
  const shown = sheets.flatMap(({ scenes }) => scenes[scene]?.slots ?? []);
  return shown.map(({ key }) => markOfKey(key)?.mark).find((mark) => mark !== undefined) ?? null;
}

/** The items on a proof at its present moment, from the bottom up. */
export function itemsNow(engine: ProofEngine | null, format: FormatName): readonly SheetItem[] {
  const state = engine?.state();
  const items = state?.prepared.find((one) => one.format === format)?.items ?? [];
  return state ? items.filter(({ from, to }) => from <= state.time && state.time < to) : [];
}

/** The places of all that is on a proof at its present moment, slots and items. */
export const placesNow = (engine: ProofEngine | null, format: FormatName): Map<PlacedKey, Rect> =>
  new Map<PlacedKey, Rect>([
    ...placesBySlot(slotsNow(engine, format)),
    ...itemsNow(engine, format).map(({ id, place }) => [itemKey(id), place] as const),
  ]);

/** The places of a scene's slots: the parts of an offer are one slot, so they have one place. */
export function placesBySlot(slots: readonly SheetSlot[]): Map<SlotKey, Rect> {
  const places = new Map<SlotKey, Rect>();
  for (const { key, place } of slots) {
    if (place.width <= 0) continue;
    const before = places.get(key);
    places.set(key, before ? union(before, place) : place);
  }
  return places;
}
