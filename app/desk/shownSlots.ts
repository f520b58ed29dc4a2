import { type BrandMark, markOfKey } from "../../core/document/brandMark";
import { type PlacedKey } from "../../core/document/placedKey";
import { itemKey } from "../../core/document/itemKey";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type Rect, union } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { type ProofSheet, type SheetItem, type SheetSlot } from "../../core/scene/proofSheet";
import { sceneMostSeen } from "../../core/time/timeline";
import { type ProofState } from "../proof/proofEngine";

/** What proofs show: what was prepared, and when in it they are. */
export type ProofMoment = Pick<ProofState, "prepared" | "time">;

/** What is on a proof at a moment. */
export function slotsAt({ prepared, time }: ProofMoment, format: FormatName): readonly SheetSlot[] {
  const sheet = prepared.find((one) => one.format === format);
  return sheet?.scenes[sceneMostSeen(sheet.spans, time)]?.slots ?? [];
}

/** Which mark of the brand stands in a scene, in whatever format; null for none. @param scene its index among those shown */
export function markIn(sheets: readonly ProofSheet[], scene: number): BrandMark | null {
  const shown = sheets.flatMap(({ scenes }) => scenes[scene]?.slots ?? []);
  return shown.map(({ key }) => markOfKey(key)?.mark).find((mark) => mark !== undefined) ?? null;
}

/** The items on a proof at a moment, from the bottom up. */
export function itemsAt({ prepared, time }: ProofMoment, format: FormatName): readonly SheetItem[] {
  const items = prepared.find((one) => one.format === format)?.items ?? [];
  return items.filter(({ from, to }) => from <= time && time < to);
}

/** The places of all that is on a proof at a moment, slots and items. */
export const placesAt = (moment: ProofMoment, format: FormatName): Map<PlacedKey, Rect> =>
  placesOf(slotsAt(moment, format), itemsAt(moment, format));

/** Where everything of a promotion stands in a format, at whatever time it is there. */
export const placesIn = ({ scenes, items }: ProofSheet): Map<PlacedKey, Rect> =>
  placesOf(
    scenes.flatMap(({ slots }) => slots),
    items,
  );

const placesOf = (slots: readonly SheetSlot[], items: readonly SheetItem[]): Map<PlacedKey, Rect> =>
  new Map<PlacedKey, Rect>([...placesBySlot(slots), ...items.map(({ id, place }) => [itemKey(id), place] as const)]);

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
