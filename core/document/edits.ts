import { type FormatName } from "../placement/formats";
import { adjustmentKey, keysFor, type Target } from "./adjustments";
import { type Caption } from "./captionsPart";
import { type Edit } from "./edit";
import { FIELDS, type FieldId, type Layer, type ValueOf } from "./fields";
import { type Change, type Paths, differences, inverseOf as inversePatch, patched, pointer, stepsOf } from "./patch";
import { type Item } from "./items";
import { type SoundPiece, TUNE, tuneLanes } from "./lanes";
import { type Fill, type Promotion, checkTouchedPromotion } from "./promotion";
import { orderAt, orderBehind } from "./ordered";
import { type ListedScene, scenesInOrder } from "./sceneList";
import { type SlotKey } from "./sceneTemplate";

/** What is set besides what is filled comes and goes with its fields; all else is put in member by member. */
const PATHS: Paths = {
  isSparse: ([part, ...key]) => part === "adjustments" && key.length === 1,
  isWhole: ({ length }) => length === 2,
};

/** The document after an edit. Throws, naming the place and the cure, when the result would not be a promotion. */
export function applyEdit(document: Promotion, { patch }: Edit): Promotion {
  const next = patched(document, patch, PATHS);
  checkTouchedPromotion(
    next,
    patch.map(({ path }) => stepsOf(path)),
  );
  return next;
}

/** The edit that takes `edit` back, given the document it is about to be applied to. */
export const inverseOf = (document: Promotion, { label, patch }: Edit): Edit => ({
  label,
  patch: inversePatch(document, patch, PATHS),
});

const put = (path: string, value: unknown): Change => ({ op: "add", path, value });
const takeAway = (path: string): Change => ({ op: "remove", path });

export const rename = (name: string): Edit => ({
  label: "Name",
  patch: [{ op: "replace", path: pointer("name"), value: name }],
});

const CHOSEN = { product: "Product", offer: "Offer" } as const;

export const choose = (what: keyof typeof CHOSEN, id: string | null): Edit => ({
  label: CHOSEN[what],
  patch: [{ op: "replace", path: pointer(what), value: id }],
  isUrgent: true,
});

/** Has a tune played, for the one there is; null for none. */
export function chooseTune(media: string | null): Edit {
  const path = pointer("lanes", TUNE);
  const { [TUNE]: piece } = tuneLanes(media);
  return { label: "Music", patch: [piece ? put(path, piece) : takeAway(path)], isUrgent: true };
}

export const putSound = (id: string, piece: SoundPiece): Edit => ({
  label: "Sound",
  patch: [put(pointer("lanes", id), piece)],
});

export const takeOutSound = (id: string): Edit => ({ label: "Sound", patch: [takeAway(pointer("lanes", id))] });

export const putCaption = (id: string, caption: Caption): Edit => ({
  label: "Caption",
  patch: [put(pointer("captions", id), caption)],
});

export const takeOutCaption = (id: string): Edit => ({ label: "Caption", patch: [takeAway(pointer("captions", id))] });

/** Fills a slot; null gives it back to its binding. */
export function fillSlot(slot: SlotKey, fill: Fill | null): Edit {
  const path = pointer("fills", slot);
  return { label: "Fill", patch: [fill ? put(path, fill) : takeAway(path)] };
}

/** Sets a field for a scene or slot in a layer; null gives it back to what comes next. */
export function adjust<Id extends FieldId>(
  id: Id,
  value: ValueOf<Id> | null,
  {
    target,
    layer = "scene",
    format = null,
  }: { readonly target: Target; readonly layer?: Layer; readonly format?: FormatName | null },
): Edit {
  const path = pointer("adjustments", adjustmentKey(target, layer, format), id);
  return { label: FIELDS[id].field.label, patch: [value === null ? takeAway(path) : put(path, value)] };
}

/** Where something is set for all of a promotion. That layer holds it for every scene, whichever is named. */
export const FOR_ALL = { target: { scene: "" }, layer: "@all" } as const;

/** Gives a field of a target back, in whatever format it was set. Null when it was set in none. */
export const giveBack = (document: Promotion, id: FieldId, target: Target): Edit | null =>
  giveAllBack(document, [id], { target, label: FIELDS[id].field.label });

/** Gives fields of a target back, in whatever format they were set. Null when none of them was set in any. */
export function giveAllBack(
  { adjustments }: Pick<Promotion, "adjustments">,
  ids: readonly FieldId[],
  { target, label }: { readonly target: Target; readonly label: string },
): Edit | null {
  const patch = keysFor(adjustments, target).flatMap((key) =>
    ids.filter((id) => adjustments[key]?.[id] !== undefined).map((id) => takeAway(pointer("adjustments", key, id))),
  );
  return patch.length > 0 ? { label, patch } : null;
}

/** Puts an item in over the others, or in the place of the one with its id. */
export const putItem = (id: string, item: Item): Edit => ({ label: "Item", patch: [put(pointer("items", id), item)] });

/** Takes an item out, with what was set for it. */
export const takeOutItem = ({ adjustments }: Promotion, id: string): Edit => ({
  label: "Take out",
  patch: [
    takeAway(pointer("items", id)),
    ...keysFor(adjustments, { item: id }).flatMap((key) =>
      Object.keys(adjustments[key] ?? {}).map((field) => takeAway(pointer("adjustments", key, field))),
    ),
  ],
});

/** Moves a scene to a place among the others, counted from 0. */
export function moveScene(document: Promotion, id: string, to: number): Edit {
  const others: ListedScene[] = scenesInOrder(document).filter((scene) => scene.id !== id);
  const order = orderAt(others, to);
  return { label: "Order of scenes", patch: [{ op: "replace", path: pointer("scenes", id, "order"), value: order }] };
}

/** Takes a scene out. What was filled in it waits for it. */
export const takeOutScene = (id: string): Edit => ({ label: "Take out", patch: [takeAway(pointer("scenes", id))] });

/** One step from a document to another that was made of it. */
export const editTo = (before: Promotion, after: Promotion, label: string): Edit => ({
  label,
  patch: differences(before, after, PATHS),
});

/** Has a promotion made in one more format, behind the others. */
export const addFormat = ({ formats }: Promotion, format: FormatName): Edit => ({
  label: "Formats",
  patch: [put(pointer("formats", format), { order: orderBehind(formats) })],
});

/** Has a promotion made for a placement too, behind those it is made for already. */
export const addPlacement = ({ placements }: Pick<Promotion, "placements">, id: string): Edit => ({
  label: "Placement",
  patch: [put(pointer("placements", id), { order: orderBehind(placements) })],
});

export const removePlacement = (id: string): Edit => ({
  label: "Placement",
  patch: [takeAway(pointer("placements", id))],
});

/** Leaves a format out. What was set for it waits for it. */
export const removeFormat = (format: FormatName): Edit => ({
  label: "Formats",
  patch: [takeAway(pointer("formats", format))],
});
