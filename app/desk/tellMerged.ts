import { toast } from "sonner";
import { type Fill } from "../../core/document/promotion";
import { type Edit } from "../../core/document/edits";
import { type SceneTemplate, type SlotKey, findSlot } from "../../core/document/template";
import { type Merged } from "./useDocument";

const STAYS_MS = 20_000;

/**
 * Says what came of someone else's changes where this person has a part in it: what they put in and is something else now,
 * with a way to take it back, and what of theirs no longer fits.
 */
export function tellMerged(
  { by, onTop, overwritten, dropped }: Merged,
  scenes: readonly SceneTemplate[],
  onEdit: (edit: Edit) => void,
): void {
  const who = by ?? "Someone else";
  for (const { slot, mine } of overwritten)
    toast(`${who} changed “${labelOf(scenes, slot)}”. Yours was ${inWords(mine)}.`, {
      duration: STAYS_MS,
      action: { label: "Take mine back", onClick: () => onEdit({ kind: "fill", slot, fill: mine }) },
    });
  for (const { problem } of dropped)
    toast.error(`A change of yours does not fit what ${who} saved, and was taken back: ${problem}`, {
      duration: STAYS_MS,
    });
  if (onTop) toast("Someone else saved meanwhile. Your changes were put on top of theirs.");
}

function labelOf(scenes: readonly SceneTemplate[], slot: SlotKey): string {
  const found = findSlot(scenes, slot);
  return found ? `${found.scene.name}: ${found.slot.label}` : slot;
}

function inWords(fill: Fill | null): string {
  switch (fill?.kind) {
    case "words":
      return `“${fill.text}”`;
    case "media":
      return "another picture or clip";
    case "products":
      return "another list";
    case undefined:
      return "as the template has it";
  }
}
