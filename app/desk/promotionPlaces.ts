import { targetOf, readAdjustmentKey } from "../../core/document/adjustments";
import { FIELDS, isFieldId } from "../../core/document/fields";
import { stepsOf } from "../../core/document/patch";
import { type Fill, type Promotion } from "../../core/document/promotion";
import { type SceneTemplate, findSlot, isSlotKey } from "../../core/document/sceneTemplate";
import { type InWords } from "../edits/tellMerged";

/** How the places of a promotion are said to people. */
export const promotionInWords = (document: Promotion, scenes: readonly SceneTemplate[]): InWords => ({
  place: (path) => placeInWords(scenes, path),
  mine: (path) => valueInWords(path, document),
});

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
      if ("item" in target) return `the ${label} of an item`;
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
  return sceneInWords(scenes, targetOf(key).scene);
}

/** What stood at a path, as far as it can be said in a few words. */
function valueInWords(path: string, document: Promotion): string {
  const [part = "", key = ""] = stepsOf(path);
  if (part === "name") return `“${document.name}”`;
  return part === "fills" ? fillInWords(isSlotKey(key) ? document.fills[key] : undefined) : "another";
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
