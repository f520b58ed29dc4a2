import { useSyncExternalStore } from "react";
import { type Promotion } from "../../core/document/promotion";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type EditSession } from "../edits/editSession";

/** The document as it is, ahead of what a desk is drawn from. */
export type Newest = Pick<EditSession<Promotion>, "subscribe" | "state">;

/**
 * The words that were written in a slot, as they are: what somebody types is in its field at once.
 *
 * @param bound what stands there where nothing was written
 */
export function useNewestWords({ subscribe, state }: Newest, slot: SlotKey, bound: string): string {
  const written = (): string | null => {
    const fill = state().document.fills[slot];
    return fill?.kind === "words" ? fill.text : null;
  };
  return useSyncExternalStore(subscribe, written, written) ?? bound;
}
