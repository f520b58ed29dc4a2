import { useSyncExternalStore } from "react";
import { type Fill, type Promotion } from "../../core/document/promotion";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type EditSession } from "../edits/editSession";

/** The document as it is, ahead of what a desk is drawn from. */
export type Newest = Pick<EditSession<Promotion>, "subscribe" | "state">;

/** What is in a slot as it is: what somebody types is in its field at once. */
export function useNewestFill({ subscribe, state }: Newest, slot: SlotKey): Fill | undefined {
  const fill = (): Fill | undefined => state().document.fills[slot];
  return useSyncExternalStore(subscribe, fill, fill);
}
