import { array, lazy, mixed, number, object, string, type Schema } from "yup";
import { ADJUSTMENTS_PART, type Adjustments } from "./adjustments";
import { type DocumentShape, type RecordPart, checkTouched, readDocument } from "./documentShape";
import { CAPTIONS_PART, type Captions } from "./captionsPart";
import { type Formats } from "./formatList";
import { FORMATS_PART } from "./formatsPart";
import { ITEMS_PART, type Items } from "./items";
import { LANES_PART, type Lanes } from "./lanes";
import { MEMBER_ID } from "./memberId";
import { orderKey } from "./orderKey";
import { type Shots, shotsSchema } from "./shots";
import { PLACEMENTS_PART, type Placements } from "./placementsPart";
import { type SlotKey } from "./sceneTemplate";
import { upgradePromotion } from "./upgrades";
import { Refusal } from "../refusal";
import { holds } from "../text/cleanText";

/** What was chosen for a slot. Nothing that can be derived is kept. */
export type Fill =
  | { readonly kind: "words"; readonly text: string }
  | { readonly kind: "media"; readonly shots: Shots }
  | { readonly kind: "products"; readonly products: readonly string[] };

/** A template as it was published: promotions stay on the edition they were made with. */
export interface TemplateRef {
  readonly slug: string;
  readonly edition: number;
}

/** A scene of a promotion, under an id of its own by which its slots are addressed. */
export interface PromotionScene {
  /** Where it stands among the others: they are sorted by this as by bytes. */
  readonly order: string;
  /** Which template's scene it is. */
  readonly from: TemplateRef & { readonly scene: string };
}

/** A fill that found no place when the template was changed, kept so that nothing is lost. */
export interface SpareFill {
  readonly label: string;
  readonly fill: Fill;
}

export const PROMOTION_VERSION = 6;

/**
 * A template filled for one brand and one occasion: what was chosen, bound by id. All that can be added, moved or removed
 * is a member of a record, so that people who change different things never write to the same place.
 */
export interface Promotion {
  readonly version: typeof PROMOTION_VERSION;
  readonly name: string;
  /** Whose style and sound plan it has. */
  readonly template: TemplateRef;
  readonly brand: string;
  readonly product: string | null;
  readonly offer: string | null;
  /** The shapes it is made in. */
  readonly formats: Formats;
  /** Where it is to be posted. */
  readonly placements: Placements;
  readonly scenes: Readonly<Record<string, PromotionScene>>;
  readonly fills: Readonly<Record<SlotKey, Fill>>;
  readonly adjustments: Adjustments;
  /** What of one's own lies over scenes. */
  readonly items: Items;
  /** What is heard. */
  readonly lanes: Lanes;
  /** What is said, in words that are shown over it or written beside it. */
  readonly captions: Captions;
  /** The promotion that this is a shorter version of; null for one of its own. */
  readonly longer: Longer | null;
  readonly spare: Readonly<Record<string, SpareFill>>;
}

/** A longer promotion, as it was when a shorter version was last made of it. */
export interface Longer {
  readonly promotion: string;
  readonly revision: number;
}

export const MOST_WORDS = 160;
export const MOST_NAME = 80;
export const MOST_SCENES = 24;
export const MOST_ROWS = 6;
const MOST_SPARE = 200;

const id = string().uuid("A reference must be an id.");
const name = string().matches(MEMBER_ID, "An id is lower-case letters, digits and hyphens.");
const templateRef = { slug: name.required(), edition: number().integer().min(1).required() };

const fills = {
  words: object({
    kind: string<"words">()
      .oneOf(["words"] as const)
      .required(),
    text: string()
      .defined()
      .test("length", `Words have at most ${MOST_WORDS} characters.`, (text) => Array.from(text).length <= MOST_WORDS),
  }).noUnknown(),
  media: object({
    kind: string<"media">()
      .oneOf(["media"] as const)
      .required(),
    shots: shotsSchema,
  }).noUnknown(),
  products: object({
    kind: string<"products">()
      .oneOf(["products"] as const)
      .required(),
    products: array(id.required()).max(MOST_ROWS, `A list has at most ${MOST_ROWS} rows.`).required(),
  }).noUnknown(),
};
const fillSchema = lazy((value: unknown) => {
  const kind: unknown = typeof value === "object" && value !== null && "kind" in value ? value.kind : undefined;
  return kind === "words" || kind === "media" || kind === "products"
    ? fills[kind]
    : mixed<never>().test("kind", "A fill is words, a media item or a list of products.", () => false);
});

const scene = object({
  order: orderKey,
  from: object({ ...templateRef, scene: name.required() })
    .noUnknown()
    .required(),
})
  .noUnknown()
  .required();

const spare = object({ label: string().max(120).required(), fill: fillSchema })
  .noUnknown()
  .required();

const version = number().oneOf([PROMOTION_VERSION], "This promotion was written by a newer Stencilcraft.").required();

/** What stands in a document by itself, and what it must be. */
const SINGLE: ReadonlyMap<string, Schema<unknown>> = new Map<string, Schema<unknown>>(
  Object.entries({
    version,
    name: string()
      .matches(/\S/, "A promotion needs a name.")
      .test("letters", `A name has at most ${MOST_NAME} characters.`, holds(MOST_NAME))
      .required("A promotion needs a name."),
    template: object(templateRef).noUnknown().required(),
    brand: id.required(),
    product: id.defined().nullable(),
    offer: id.defined().nullable(),
    longer: object({ promotion: id.required(), revision: number().integer().min(1).required() })
      .noUnknown()
      .defined()
      .nullable(),
  }),
);

const bySlot = (key: string, value: unknown): unknown => {
  if (!/^[a-z0-9-]+\.[a-z0-9-]+$/.test(key)) throw new Refusal(`“${key}” is not a slot's address.`);
  return fillSchema.validateSync(value, { strict: true });
};
const byName =
  (schema: Schema<unknown>) =>
  (key: string, value: unknown): unknown => {
    name.validateSync(key, { strict: true });
    return schema.validateSync(value, { strict: true });
  };

const RECORDS: ReadonlyMap<string, RecordPart> = new Map(
  Object.entries({
    formats: FORMATS_PART,
    placements: PLACEMENTS_PART,
    scenes: { least: 1, most: MOST_SCENES, named: "scene", read: byName(scene) },
    fills: { least: 0, most: 1000, named: "fill", read: bySlot },
    adjustments: ADJUSTMENTS_PART,
    items: ITEMS_PART,
    lanes: LANES_PART,
    captions: CAPTIONS_PART,
    spare: { least: 0, most: MOST_SPARE, named: "spare fill", read: byName(spare) },
  }),
);

const SHAPE: DocumentShape = { named: "A promotion", single: SINGLE, records: RECORDS };

/**
 * Reads a promotion document at any door, upgrading older versions. Throws Yup's ValidationError, naming the field and the
 * cure, when it is not one. Whether its fills fit its templates is said by `promotionProblem`.
 */
export function readPromotion(value: unknown): Promotion {
  // Every part was read by its own schema.
  return readDocument(SHAPE, upgradePromotion(value)) as Promotion;
}

/** Checks what changes at some paths have made of a promotion: only what they touched. Throws as `readPromotion` does. */
export const checkTouchedPromotion = (document: Promotion, touched: readonly (readonly string[])[]): void =>
  checkTouched(SHAPE, document, touched);
