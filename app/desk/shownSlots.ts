import { type SlotKey } from "../../core/document/template";
import { type Rect, union } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { type SheetSlot } from "../../core/scene/proofSheet";
import { sceneMostSeen } from "../../core/time/timeline";
import { type ProofEngine } from "../proof/proofEngine";

/** What is on a proof at its present moment. */
export function slotsNow(engine: ProofEngine | null, format: FormatName): readonly SheetSlot[] {
  const state = engine?.state();
  const prepared = state?.prepared.find((one) => one.format === format);
  if (!state || !prepared) return [];
  return prepared.scenes[sceneMostSeen(prepared.spans, state.time)]?.slots ?? [];
}

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
