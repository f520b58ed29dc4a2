import { number, object, string } from "yup";
import { findSlot, type SlotKey } from "./template";
import { templateBySlug } from "./oneOffer";

/** What was chosen for a slot. Nothing that can be derived is kept. */
export type Fill = { readonly kind: "words"; readonly text: string } | { readonly kind: "media"; readonly media: string };

/** A template filled for one brand and one occasion: what was chosen, bound by id. */
export interface Promotion {
  readonly version: 1;
  readonly name: string;
  readonly template: string;
  readonly brand: string;
  readonly product: string | null;
  readonly offer: string | null;
  readonly tune: string | null;
  readonly fills: Readonly<Record<SlotKey, Fill>>;
}

export const MOST_WORDS = 160;
export const MOST_NAME = 80;

const id = string().uuid("A reference must be an id.");

function isFill(value: unknown): value is Fill {
  if (typeof value !== "object" || value === null || !("kind" in value)) return false;
  if (value.kind === "words") return "text" in value && typeof value.text === "string" && [...value.text].length <= MOST_WORDS;
  return value.kind === "media" && "media" in value && typeof value.media === "string" && id.isValidSync(value.media);
}

/** Fills by slot, each known to the template and of the slot's own kind. */
function fillsProblem(template: string, fills: unknown): string | null {
  if (typeof fills !== "object" || fills === null || Array.isArray(fills)) return "Fills must be given by slot.";
  for (const [key, fill] of Object.entries(fills)) {
    const found = findSlot(templateBySlug(template), key);
    if (!found) return `The template has no slot “${key}”.`;
    if (!isFill(fill)) return `The fill of “${found.slot.label}” must be at most ${MOST_WORDS} characters of words, or a media item.`;
    if (fill.kind !== found.slot.kind) return `“${found.slot.label}” takes ${found.slot.kind}, not ${fill.kind}.`;
  }
  return null;
}

const shape = object({
  version: number<1>().oneOf([1] as const, "This promotion was written by a newer Stencilcraft.").required(),
  name: string().matches(/\S/, "A promotion needs a name.").max(MOST_NAME, `A name has at most ${MOST_NAME} characters.`).required("A promotion needs a name."),
  template: string().required(),
  brand: id.required(),
  product: id.defined().nullable(),
  offer: id.defined().nullable(),
  tune: id.defined().nullable(),
});

/** Reads a promotion document at any door. Throws, naming the field and the cure, when it is not one. */
export function readPromotion(value: unknown): Promotion {
  const document = shape.validateSync(value, { strict: true });
  const fills: unknown = typeof value === "object" && value !== null && "fills" in value ? value.fills : undefined;
  const problem = fillsProblem(document.template, fills);
  if (problem) throw new TypeError(problem);
  const { version, name, template, brand, product, offer, tune } = document;
  return { version, name, template, brand, product, offer, tune, fills: fills as Promotion["fills"] };
}
