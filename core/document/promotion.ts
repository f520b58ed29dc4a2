import { array, boolean, lazy, mixed, number, object, string } from "yup";
import { COLOR_ROLES, type ColorRole } from "../color/palette";
import { type Rect } from "../geometry/rect";
import { FORMAT_NAMES, type FormatName } from "../placement/formats";
import { type Millis } from "../units";
import { type Arrangement } from "./arrangements";
import { type SlotKey } from "./template";
import { arrangementSchema, rectSchema } from "./templateSchema";
import { upgradePromotion } from "./upgrades";

/** What was chosen for a slot. Nothing that can be derived is kept. */
export type Fill =
  | { readonly kind: "words"; readonly text: string }
  | { readonly kind: "media"; readonly media: string }
  | { readonly kind: "products"; readonly products: readonly string[] };

/** A template as it was published: promotions stay on the edition they were made with. */
export interface TemplateRef {
  readonly slug: string;
  readonly edition: number;
}

/** A scene of a promotion: which template's scene it is, and what was changed of it. */
export interface PromotionScene {
  /** Its own within the promotion; slots are addressed by it. */
  readonly id: string;
  readonly from: TemplateRef & { readonly scene: string };
  readonly arrangement?: Arrangement | undefined;
  readonly ground?: ColorRole | undefined;
  readonly length?: Millis | undefined;
}

/** What was changed of a slot besides what is in it. */
export interface SlotChange {
  readonly color?: ColorRole | undefined;
  readonly hidden?: boolean | undefined;
  readonly places?: Partial<Readonly<Record<FormatName, Rect>>> | undefined;
}

/** A fill that found no place when the template was changed, kept so that nothing is lost. */
export interface SpareFill {
  readonly label: string;
  readonly fill: Fill;
}

export const PROMOTION_VERSION = 2;

/** A template filled for one brand and one occasion: what was chosen, bound by id. */
export interface Promotion {
  readonly version: typeof PROMOTION_VERSION;
  readonly name: string;
  /** Whose style and sound plan it has. */
  readonly template: TemplateRef;
  readonly brand: string;
  readonly product: string | null;
  readonly offer: string | null;
  readonly tune: string | null;
  readonly scenes: readonly PromotionScene[];
  readonly fills: Readonly<Record<SlotKey, Fill>>;
  readonly changes: Readonly<Record<SlotKey, SlotChange>>;
  readonly spare: readonly SpareFill[];
}

export const MOST_WORDS = 160;
export const MOST_NAME = 80;
export const MOST_SCENES = 24;
export const MOST_ROWS = 6;

const id = string().uuid("A reference must be an id.");
const name = string().matches(/^[a-z0-9][a-z0-9-]{0,59}$/, "An id is lower-case letters, digits and hyphens.");
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
    media: id.required(),
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
  id: name.required(),
  from: object({ ...templateRef, scene: name.required() })
    .noUnknown()
    .required(),
  arrangement: lazy((value: unknown) =>
    value === undefined ? mixed<Arrangement>().optional() : arrangementSchema(value),
  ),
  ground: string().oneOf(COLOR_ROLES).optional(),
  length: number()
    .integer()
    .min(500, "A scene lasts at least half a second.")
    .max(60_000, "A scene lasts at most a minute.")
    .optional(),
})
  .noUnknown()
  .required();

const change = object({
  color: string().oneOf(COLOR_ROLES).optional(),
  hidden: boolean().optional(),
  places: object(Object.fromEntries(FORMAT_NAMES.map((format) => [format, rectSchema.optional().default(undefined)])))
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();

const shape = object({
  version: number<typeof PROMOTION_VERSION>()
    .oneOf([PROMOTION_VERSION] as const, "This promotion was written by a newer Stencilcraft.")
    .required(),
  name: string()
    .matches(/\S/, "A promotion needs a name.")
    .max(MOST_NAME, `A name has at most ${MOST_NAME} characters.`)
    .required("A promotion needs a name."),
  template: object(templateRef).noUnknown().required(),
  brand: id.required(),
  product: id.defined().nullable(),
  offer: id.defined().nullable(),
  tune: id.defined().nullable(),
  scenes: array(scene)
    .min(1, "A promotion needs at least one scene.")
    .max(MOST_SCENES, `A promotion has at most ${MOST_SCENES} scenes.`)
    .required()
    .test(
      "once",
      "Two scenes have the same id.",
      (scenes) => new Set(scenes.map((one) => one.id)).size === scenes.length,
    ),
  spare: array(
    object({ label: string().max(120).required(), fill: fillSchema })
      .noUnknown()
      .required(),
  )
    .max(200)
    .required(),
});

/** Reads every value of a record by a schema; the keys are slots' addresses. */
function readBySlot<Value>(value: unknown, what: string, read: (one: unknown) => Value): Record<SlotKey, Value> {
  if (typeof value !== "object" || value === null || Array.isArray(value))
    throw new TypeError(`${what} must be given by slot.`);
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => {
      if (!/^[a-z0-9-]+\.[a-z0-9-]+$/.test(key)) throw new TypeError(`“${key}” is not a slot's address.`);
      return [key, read(one)];
    }),
  );
}

/**
 * Reads a promotion document at any door, upgrading older versions. Throws, naming the field and the cure, when it is not
 * one. Whether its fills fit its templates is said by `promotionProblem`.
 */
export function readPromotion(value: unknown): Promotion {
  const upgraded = upgradePromotion(value);
  const document = shape.validateSync(upgraded, { strict: true });
  const field = (name: string): unknown =>
    typeof upgraded === "object" && upgraded !== null && name in upgraded
      ? (upgraded as Record<string, unknown>)[name]
      : undefined;
  const { version, name, template, brand, product, offer, tune } = document;
  return {
    version,
    name,
    template,
    brand,
    product,
    offer,
    tune,
    scenes: document.scenes as readonly PromotionScene[],
    fills: readBySlot(field("fills"), "Fills", (one) => fillSchema.validateSync(one, { strict: true }) as Fill),
    changes: readBySlot(field("changes"), "Changes", (one) => change.validateSync(one, { strict: true }) as SlotChange),
    spare: document.spare as readonly SpareFill[],
  };
}
