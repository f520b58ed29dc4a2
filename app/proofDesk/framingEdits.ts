import { targetOf } from "../../core/document/adjustments";
import { type Edit } from "../../core/document/edit";
import { adjust, giveAllBack } from "../../core/document/edits";
import { FIELDS, type Layer, type ValueOf } from "../../core/document/fields";
import { pointer } from "../../core/document/patch";
import { type Promotion } from "../../core/document/promotion";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { FRAMING_FIELDS, type FramingFieldId } from "../../core/document/slotFraming";
import { type FormatName } from "../../core/placement/formats";

/** Where what is set is to hold, in the order it is offered in. */
export const REACHES = ["scene@format", "scene", "@format"] as const satisfies readonly Layer[];
export type Reach = (typeof REACHES)[number];
export const REACH_WORDS: Readonly<Record<Reach, string>> = {
  "scene@format": "This format, in this scene",
  scene: "All formats, in this scene",
  "@format": "This format, in all scenes",
};

/** Whether a field can be set so that it holds there. */
export const canReach = (id: FramingFieldId, reach: Reach): boolean => {
  const layers: readonly Layer[] = FIELDS[id].layers;
  return layers.includes(reach);
};

/**
 * Sets a field of a slot's framing where it is to hold. What was set nearer for this very slot in this format gives way, or
 * nothing would be seen of it.
 */
export function frameEdit<Id extends FramingFieldId>(
  { adjustments }: Pick<Promotion, "adjustments">,
  { slot, format, reach }: { readonly slot: SlotKey; readonly format: FormatName; readonly reach: Reach },
  id: Id,
  value: ValueOf<Id>,
): Edit {
  const target = targetOf(slot);
  const set = adjust(id, value, { target, layer: reach, format });
  const nearer =
    reach === "scene@format" ? [] : reach === "scene" ? [`${slot}@${format}`] : [`${slot}@${format}`, slot];
  const hidden = nearer.filter((key) => adjustments[key]?.[id] !== undefined);
  return {
    label: set.label,
    patch: [...hidden.map((key) => ({ op: "remove" as const, path: pointer("adjustments", key, id) })), ...set.patch],
  };
}

/** Has what fills a slot follow its subject, or not. A point that was chosen for it would keep it, so that is given back. */
export function followEdit(
  document: Pick<Promotion, "adjustments">,
  at: { readonly slot: SlotKey; readonly format: FormatName; readonly reach: Reach },
  follows: boolean,
): Edit {
  const set = frameEdit(document, at, "follows", follows);
  const keys = follows ? [`${at.slot}@${at.format}`, at.slot] : [];
  const points = keys.filter((key) => document.adjustments[key]?.point !== undefined);
  return {
    label: set.label,
    patch: [
      ...points.map((key) => ({ op: "remove" as const, path: pointer("adjustments", key, "point") })),
      ...set.patch,
    ],
  };
}

/** Gives a slot's whole framing back, in every format. Null when nothing of it was set for it. */
export const unframeEdit = (document: Pick<Promotion, "adjustments">, slot: SlotKey): Edit | null =>
  giveAllBack(document, FRAMING_FIELDS, { target: targetOf(slot), label: "Framing" });
