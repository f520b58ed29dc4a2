import { array, mixed, number, object, string } from "yup";
import { type ColorRole } from "../color/palette";
import { millis } from "../units";
import { type Arrangement } from "./arrangements";
import {
  type Fill,
  type Promotion,
  type PromotionScene,
  type SlotChange,
  type SpareFill,
  type TemplateRef,
  readPromotion,
} from "./promotion";
import { type SlotKey } from "./template";

/** What of a scene can be changed on its own. `null` gives it back to the template. */
export type SceneChange =
  | { readonly what: "arrangement"; readonly value: Arrangement | null }
  | { readonly what: "ground"; readonly value: ColorRole | null }
  | { readonly what: "length"; readonly value: number | null };

/** The parts of a promotion that change together when its template does. */
export interface Structure {
  readonly template: TemplateRef;
  readonly scenes: readonly PromotionScene[];
  readonly fills: Promotion["fills"];
  readonly changes: Promotion["changes"];
  readonly spare: readonly SpareFill[];
}

/** A named change of a promotion. Each is a plain value, so that undo, autosave and history can all carry it. */
export type Edit =
  | { readonly kind: "fill"; readonly slot: SlotKey; readonly fill: Fill | null }
  | { readonly kind: "rename"; readonly name: string }
  | { readonly kind: "choose"; readonly what: "product" | "offer" | "tune"; readonly id: string | null }
  | { readonly kind: "change-slot"; readonly slot: SlotKey; readonly change: SlotChange | null }
  | { readonly kind: "change-scene"; readonly scene: string; readonly change: SceneChange }
  /** Scenes inserted, taken out, repeated or put in another order: the whole list, as it then is. */
  | { readonly kind: "scenes"; readonly scenes: readonly PromotionScene[] }
  | { readonly kind: "restructure"; readonly structure: Structure };

/**
 * The document after an edit. Throws, naming the field and the cure, when the result would not be a promotion.
 * `fill: null` gives a slot back to its binding.
 */
export function applyEdit(document: Promotion, edit: Edit): Promotion {
  switch (edit.kind) {
    case "rename":
      return readPromotion({ ...document, name: edit.name });
    case "choose":
      return readPromotion({ ...document, [edit.what]: edit.id });
    case "fill":
      return readPromotion({ ...document, fills: withEntry(document.fills, edit.slot, edit.fill) });
    case "change-slot":
      return readPromotion({ ...document, changes: withEntry(document.changes, edit.slot, edit.change) });
    case "change-scene":
      return readPromotion({
        ...document,
        scenes: document.scenes.map((scene) => (scene.id === edit.scene ? changedScene(scene, edit.change) : scene)),
      });
    case "scenes":
      return readPromotion({ ...document, scenes: edit.scenes });
    case "restructure": {
      // Field by field: what came over the wire may hold more than belongs to a structure.
      const { template, scenes, fills, changes, spare } = edit.structure;
      return readPromotion({ ...document, template, scenes, fills, changes, spare });
    }
  }
}

function withEntry<Value>(
  record: Readonly<Record<SlotKey, Value>>,
  key: SlotKey,
  value: Value | null,
): Record<SlotKey, Value> {
  const others = Object.fromEntries(Object.entries(record).filter(([slot]) => slot !== key)) as Record<SlotKey, Value>;
  return value === null ? others : { ...others, [key]: value };
}

function changedScene(scene: PromotionScene, { what, value }: SceneChange): PromotionScene {
  const others = Object.fromEntries(
    Object.entries(scene).filter(([field]) => field !== what),
  ) as unknown as PromotionScene;
  return value === null ? others : { ...others, [what]: value };
}

/** The edit that takes `edit` back, given the document it is about to be applied to. */
export function inverseOf(document: Promotion, edit: Edit): Edit {
  switch (edit.kind) {
    case "rename":
      return { kind: "rename", name: document.name };
    case "choose":
      return { kind: "choose", what: edit.what, id: document[edit.what] };
    case "fill":
      return { kind: "fill", slot: edit.slot, fill: document.fills[edit.slot] ?? null };
    case "change-slot":
      return { kind: "change-slot", slot: edit.slot, change: document.changes[edit.slot] ?? null };
    case "change-scene": {
      const before = document.scenes.find(({ id }) => id === edit.scene)?.[edit.change.what] ?? null;
      return {
        kind: "change-scene",
        scene: edit.scene,
        change: { what: edit.change.what, value: before } as SceneChange,
      };
    }
    case "scenes":
      return { kind: "scenes", scenes: document.scenes };
    case "restructure": {
      const { template, scenes, fills, changes, spare } = document;
      return { kind: "restructure", structure: { template, scenes, fills, changes, spare } };
    }
  }
}

/** Whether two edits change the same thing, so that typing can be one step of undo and one save. */
export function sameTarget(one: Edit, other: Edit): boolean {
  if (one.kind === "fill" && other.kind === "fill") return one.slot === other.slot;
  if (one.kind === "choose" && other.kind === "choose") return one.what === other.what;
  if (one.kind === "change-slot" && other.kind === "change-slot") return one.slot === other.slot;
  if (one.kind === "change-scene" && other.kind === "change-scene")
    return one.scene === other.scene && one.change.what === other.change.what;
  return one.kind === "rename" && other.kind === "rename";
}

const editSchema = object({
  kind: string()
    .oneOf(
      ["fill", "rename", "choose", "change-slot", "change-scene", "scenes", "restructure"] as const,
      "There is no such edit.",
    )
    .required(),
  slot: string().when("kind", {
    is: (kind: unknown) => kind === "fill" || kind === "change-slot",
    then: (schema) => schema.required(),
  }),
  fill: mixed().nullable(),
  name: string().when("kind", { is: "rename", then: (schema) => schema.required("A promotion needs a name.") }),
  what: string()
    .oneOf(["product", "offer", "tune"] as const)
    .when("kind", { is: "choose", then: (schema) => schema.required() }),
  id: string().nullable().uuid(),
  scene: string().when("kind", { is: "change-scene", then: (schema) => schema.required() }),
  change: mixed().nullable(),
  scenes: array().optional(),
  structure: object().optional().default(undefined),
});
const sceneChange = object({
  what: string()
    .oneOf(["arrangement", "ground", "length"] as const, "Of a scene, arrangement, ground and length can be changed.")
    .required(),
  value: mixed().nullable().defined(),
});

/** Edits as they came over the wire, each still to be read: one that is none loses no other. */
export function editList(value: unknown): readonly unknown[] {
  if (!Array.isArray(value) || value.length > 200) throw new TypeError("Edits must be a list of at most 200.");
  return value;
}

/** Reads an edit that came over the wire. The values inside are checked by applyEdit against the document. */
export function readEdit(value: unknown): Edit {
  const read = editSchema.validateSync(value, { strict: true });
  switch (read.kind) {
    case "rename":
      return { kind: "rename", name: read.name ?? "" };
    case "choose":
      return { kind: "choose", what: read.what ?? "product", id: read.id ?? null };
    case "fill":
      return { kind: "fill", slot: (read.slot ?? "") as SlotKey, fill: (read.fill ?? null) as Fill | null };
    case "change-slot":
      return {
        kind: "change-slot",
        slot: (read.slot ?? "") as SlotKey,
        change: read.change ?? null,
      };
    case "change-scene": {
      const { what, value: changed } = sceneChange.validateSync(read.change, { strict: true });
      const to =
        what === "length" && changed !== null
          ? millis(number().required().validateSync(changed, { strict: true }))
          : changed;
      return { kind: "change-scene", scene: read.scene ?? "", change: { what, value: to } as SceneChange };
    }
    case "scenes":
      return { kind: "scenes", scenes: (read.scenes ?? []) as PromotionScene[] };
    case "restructure":
      return { kind: "restructure", structure: (read.structure ?? {}) as Structure };
  }
}
