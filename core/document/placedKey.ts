import { type MarkKey } from "./brandMark";
import { type ItemKey } from "./itemKey";
import { type SlotKey } from "./sceneTemplate";

/** What is placed: a slot, an item, or a mark of the brand. */
export type PlacedKey = SlotKey | ItemKey | MarkKey;
