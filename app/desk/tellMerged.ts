import { toast } from "sonner";
import { targetOf, readAdjustmentKey } from "../../core/document/adjustments";
import { type Edit } from "../../core/document/edit";
import { FIELDS, isFieldId } from "../../core/document/fields";
import { stepsOf } from "../../core/document/patch";
import { type Fill, type Promotion } from "../../core/document/promotion";
import { takenBack } from "../../core/document/rebase";
import { type SceneTemplate, type SlotKey, findSlot } from "../../core/document/template";
import { type Merged } from "../edits/editSession";

const STAYS_MS = 20_000;

/**
 * Says what came of someone else's changes where this person has a part in it: what they put in and is something else now,
 * with a way to take it back, and what of theirs no longer fits.
 */
export function tellMerged(
  { by, before, overwritten, dropped }: Merged<Promotion>,
  scenes: readonly SceneTemplate[],
  onEdit: (edit: Edit) => void,
): void {
  const who = by ?? "Someone else";
  for (const one of overwritten)
    toast(`${who} changed ${placeInWords(scenes, one.path)}. Yours was ${valueInWords(one.path, before)}.`, {
      duration: STAYS_MS,
      action: { label: "Take mine back", onClick: () => onEdit(takenBack(one)) },
    });
  for (const { problem } of dropped)
    toast.error(`A change of yours does not fit what ${who} saved, and was taken back: ${problem}`, {
      duration: STAYS_MS,
    });
}

/** The place that a path leads to, as people know it. */
function placeInWords(scenes: readonly SceneTemplate[], path: string): string {
  const [part = "", key = "", name = ""] = stepsOf(path);
  switch (part) {
    case "fills":
      return `“${slotInWords(scenes, key)}”`;
    case "adjustments": {
      const { target } = readAdjustmentKey(key);
      const label = isFieldId(name) ? FIELDS[name].field.label.toLowerCase() : "something";
      if (!target) return `the ${label} of the promotion`;
      const of =
        target.slot === undefined ? sceneInWords(scenes, target.scene) : slotInWords(scenes, key.split("@")[0] ?? "");
      return `the ${label} of “${of}”`;
    }
    case "scenes":
      return name === "order"
        ? `the place of scene “${sceneInWords(scenes, key)}”`
        : `scene “${sceneInWords(scenes, key)}”`;
    default:
      return `the ${CHOICES[part] ?? part}`;
  }
}

const CHOICES: Readonly<Record<string, string>> = { tune: "music", template: "template" };

const sceneInWords = (scenes: readonly SceneTemplate[], id: string): string =>
  scenes.find((scene) => scene.id === id)?.name ?? id;

function slotInWords(scenes: readonly SceneTemplate[], key: string): string {
  const found = findSlot(scenes, key);
  if (found) return `${found.scene.name}: ${found.slot.label}`;
  return sceneInWords(scenes, targetOf(key as SlotKey).scene);
}

/** What stood at a path, as far as it can be said in a few words. */
function valueInWords(path: string, document: Promotion): string {
  const [part = "", key = ""] = stepsOf(path);
  if (part === "name") return `“${document.name}”`;
  return part === "fills" ? fillInWords(document.fills[key as SlotKey]) : "another";
}

function fillInWords(fill: Fill | undefined): string {
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
