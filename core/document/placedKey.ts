import { type BrandMark, type MarkKey, markOfKey } from "./brandMark";
import { type ItemKey, itemOfKey } from "./itemKey";
import { type SlotKey } from "./sceneTemplate";

/** What is placed: a slot, an item, or a mark of the brand. */
export type PlacedKey = SlotKey | ItemKey | MarkKey;

export type Placed =
  | { readonly kind: "item"; readonly id: string }
  | { readonly kind: "mark"; readonly mark: BrandMark; readonly scene: string }
  | { readonly kind: "slot"; readonly slot: SlotKey };

/** What a key names. */
export function readPlacedKey(key: PlacedKey): Placed {
  const id = itemOfKey(key);
  if (id !== null) return { kind: "item", id };
  const mark = markOfKey(key);
  // A key that is none of an item or a mark is one of a slot.
  return mark ? { kind: "mark", ...mark } : { kind: "slot", slot: key as SlotKey };
}
