import { mixed, object, string } from "yup";
import { type Fill, type Promotion, readPromotion } from "./promotion";
import { type SlotKey } from "./template";

/** A named change of a promotion. Each is a plain value, so that undo, autosave and history can all carry it. */
export type Edit =
  | { readonly kind: "fill"; readonly slot: SlotKey; readonly fill: Fill | null }
  | { readonly kind: "rename"; readonly name: string }
  | { readonly kind: "choose"; readonly what: "product" | "offer" | "tune"; readonly id: string | null };

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
    case "fill": {
      const others = Object.fromEntries(Object.entries(document.fills).filter(([slot]) => slot !== edit.slot));
      return readPromotion({ ...document, fills: edit.fill ? { ...others, [edit.slot]: edit.fill } : others });
    }
  }
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
  }
}

/** Whether two edits change the same thing, so that typing can be one step of undo and one save. */
export function sameTarget(one: Edit, other: Edit): boolean {
  if (one.kind === "fill" && other.kind === "fill") return one.slot === other.slot;
  if (one.kind === "choose" && other.kind === "choose") return one.what === other.what;
  return one.kind === "rename" && other.kind === "rename";
}

const editSchema = object({
  kind: string().oneOf(["fill", "rename", "choose"] as const, "There is no such edit.").required(),
  slot: string().when("kind", { is: "fill", then: (schema) => schema.required() }),
  fill: mixed().nullable(),
  name: string().when("kind", { is: "rename", then: (schema) => schema.required("A promotion needs a name.") }),
  what: string().oneOf(["product", "offer", "tune"] as const).when("kind", { is: "choose", then: (schema) => schema.required() }),
  id: string().nullable().uuid(),
});

/** Reads edits that came over the wire. The values inside are checked by applyEdit against the document. */
export function readEdits(value: unknown): Edit[] {
  if (!Array.isArray(value) || value.length > 200) throw new TypeError("Edits must be a list of at most 200.");
  return value.map((item): Edit => {
    const read = editSchema.validateSync(item, { strict: true });
    if (read.kind === "rename") return { kind: "rename", name: read.name ?? "" };
    if (read.kind === "choose") return { kind: "choose", what: read.what ?? "product", id: read.id ?? null };
    return { kind: "fill", slot: (read.slot ?? "") as SlotKey, fill: (read.fill ?? null) as Fill | null };
  });
}
