import { holds } from "../text/cleanText";
import { MOTIONS } from "../motion/wordMotion";
import { array, boolean, lazy, mixed, number, object, string, type ObjectSchema, type Schema } from "yup";
import { FACE_ROLES } from "../brand/book";
import { COLOR_ROLES } from "../color/palette";
import { isFormatName } from "../placement/formats";
import { arrangementSchema } from "./arrangementSchema";
import { type DocumentShape, checkTouched, readDocument } from "./documentShape";
import { ADJUSTMENTS_PART } from "./adjustments";
import { FORMATS_PART } from "./formatsPart";
import { ITEMS_PART } from "./items";
import { MEMBER_ID } from "./memberId";
import { oneOfKinds } from "./oneOfKinds";
import { orderKey } from "./orderKey";
import { inOrderThroughout } from "./patch";
import { placeSchema } from "./placeSchema";
import { JOINS } from "./joins";
import { PICTURE_SHAPES, WORDS_BINDINGS, type Slot } from "./sceneTemplate";
import { PURPOSES, TEMPLATE_VERSION, type Template } from "./template";
import { WORDS_ROLES } from "./wordsRole";
import { type TemplateDocument, listedTemplate } from "./templateDocument";
import { upgradeTemplate } from "./upgrades";

/** As many as a promotion. */
export const MOST_TEMPLATE_SCENES = 24;
export const MOST_SLOTS = 12;

const slug = string().matches(MEMBER_ID, "An id is lower-case letters, digits and hyphens, at most 60.").required();
const text = (most: number) => string().test("letters", `At most ${most} characters.`, holds(most)).defined();
const title = (most: number) =>
  string()
    .matches(/\S/, "This must not be blank.")
    .test("letters", `At most ${most} characters.`, holds(most))
    .required();
const flag = boolean().required();
const millis = (least: number, most: number) =>
  number()
    .integer("Times are whole milliseconds.")
    .min(least, `At least ${least} ms.`)
    .max(most, `At most ${most} ms.`)
    .required();

const slotBase = {
  order: orderKey,
  label: title(60),
  hint: text(120),
  required: flag,
  allows: object({ content: flag, color: flag, position: flag, remove: flag }).noUnknown().required(),
};
const SLOTS: Readonly<Record<Slot["kind"], Schema<unknown>>> = {
  words: object({
    ...slotBase,
    kind: string().oneOf(["words"]).required(),
    role: string().oneOf(WORDS_ROLES).required(),
    budget: number().integer().min(1, "At least 1.").max(160, "At most 160.").required(),
    binding: string().oneOf(WORDS_BINDINGS).optional(),
    fallback: string().max(160, "At most 160 characters.").optional(),
    color: string().oneOf(COLOR_ROLES).optional(),
    capitals: boolean().optional(),
    numbered: boolean().optional(),
    emphasis: string().oneOf(COLOR_ROLES).optional(),
  }).noUnknown(),
  media: object({
    ...slotBase,
    kind: string().oneOf(["media"]).required(),
    accepts: array(string().oneOf(["picture", "clip"]).required())
      .min(1, "Accept pictures, clips or both.")
      .max(2)
      .required(),
    from: string()
      .matches(
        /^(product|nothing|slot:[a-z0-9-]+\.[a-z0-9-]+)$/,
        "A picture comes from “product”, “nothing” or “slot:scene.slot”.",
      )
      .required(),
    needs: object({
      shape: string().oneOf(PICTURE_SHAPES).required(),
      leastPixels: number().integer().min(0).max(4096).required(),
      leastSeconds: number().min(0).max(60).required(),
    })
      .noUnknown()
      .required(),
    media: string().uuid("A media item is named by its id.").optional(),
  }).noUnknown(),
  offer: object({ ...slotBase, kind: string().oneOf(["offer"]).required() }).noUnknown(),
  products: object({
    ...slotBase,
    kind: string().oneOf(["products"]).required(),
    most: number().integer().min(1, "At least 1.").max(6, "At most 6 rows.").required(),
  }).noUnknown(),
};
const SLOT_KINDS = Object.keys(SLOTS) as Slot["kind"][];
const slotSchemaOf = oneOfKinds(
  "kind",
  SLOT_KINDS,
  (kind) => SLOTS[kind],
  `A slot is one of: ${SLOT_KINDS.join(", ")}.`,
);

const places = lazy((value: unknown): Schema<unknown> => {
  const isByFormat = Object.keys(value ?? {}).every(isFormatName);
  return isByFormat
    ? (recordOf(value, (of) => recordOf(of, () => placeSchema)).required() as Schema<unknown>)
    : (mixed().test("formats", "Places are given by format.", () => false) as Schema<unknown>);
});

/** What is given by names, whatever they are. */
const recordOf = (
  value: unknown,
  schemaOf: (member: unknown) => Schema<unknown>,
): ObjectSchema<Record<string, unknown>> =>
  typeof value === "object" && value !== null
    ? object(Object.fromEntries(Object.entries(value).map(([key, member]) => [key, schemaOf(member).required()])))
    : object();

const isSlug = (id: string): boolean => slug.isValidSync(id);
const slots = lazy((value: unknown) =>
  recordOf(value, slotSchemaOf)
    .required()
    .test("ids", "A slot's id is lower-case letters, digits and hyphens, at most 60.", () =>
      Object.keys(Object(value) as object).every(isSlug),
    )
    .test(
      "most",
      `A scene has at most ${MOST_SLOTS} slots.`,
      () => Object.keys(Object(value) as object).length <= MOST_SLOTS,
    ),
);

const scene = object({
  order: orderKey,
  name: title(40),
  arrangement: lazy((value: unknown) => arrangementSchema(value)),
  length: millis(500, 60_000),
  overlap: millis(0, 3000),
  ground: string().oneOf(COLOR_ROLES).required(),
  logo: flag,
  slots,
  allows: object({ arrangement: flag, color: flag, timing: flag, remove: flag }).noUnknown().required(),
  places,
})
  .noUnknown()
  .required()
  .test("overlap", "A transition takes at most half its scene.", (value) => value.overlap * 2 <= value.length);

const readScene = (key: string, value: unknown): unknown => {
  slug.validateSync(key, { strict: true });
  return inOrderThroughout(scene.validateSync(value, { strict: true, abortEarly: false }));
};

const SHAPE: DocumentShape = {
  named: "A template",
  single: new Map<string, Schema<unknown>>(
    Object.entries({
      version: number().oneOf([TEMPLATE_VERSION], "This template was written by a newer Stencilcraft.").required(),
      slug,
      name: title(60),
      purpose: string().oneOf(PURPOSES).required(),
      about: text(200),
      style: object({
        motion: string().oneOf(MOTIONS).required(),
        transition: string().oneOf(JOINS).required(),
        zoom: flag,
        faces: object(Object.fromEntries(WORDS_ROLES.map((role) => [role, string().oneOf(FACE_ROLES).optional()])))
          .noUnknown()
          .required(),
      })
        .noUnknown()
        .required(),
      sound: object({
        fadeIn: millis(0, 10_000),
        fadeOut: millis(0, 10_000),
        loudness: number().min(-30, "At least −30 LUFS.").max(-9, "At most −9 LUFS.").required(),
      })
        .noUnknown()
        .required(),
    }),
  ),
  records: new Map([
    ["formats", FORMATS_PART],
    ["items", ITEMS_PART],
    ["adjustments", ADJUSTMENTS_PART],
    ["scenes", { least: 1, most: MOST_TEMPLATE_SCENES, named: "scene", read: readScene }],
  ]),
};

/**
 * Reads a template document at any door, upgrading older versions. Throws Yup's ValidationError with every problem and the
 * path of its field.
 */
export function readTemplateDocument(value: unknown): TemplateDocument {
  // Every part was read by its own schema.
  return readDocument(SHAPE, upgradeTemplate(value)) as TemplateDocument;
}

/** What a template document says, in lists. Throws as `readTemplateDocument` does. */
export const readTemplate = (value: unknown): Template => listedTemplate(readTemplateDocument(value));

/** Checks what changes at some paths have made of a template: only what they touched. Throws the first problem. */
export const checkTouchedTemplate = (document: TemplateDocument, touched: readonly (readonly string[])[]): void =>
  checkTouched(SHAPE, document, touched);

/** The path of a field as Yup writes it (`scenes[0].name`), as a JSON Pointer (RFC 6901). */
export const jsonPointer = (path: string | undefined): string =>
  (path ?? "") === ""
    ? ""
    : `/${(path ?? "")
        .replaceAll(/\["([^"]+)"\]/g, ".$1")
        .replaceAll(/\[(\d+)\]/g, ".$1")
        .split(".")
        .filter(Boolean)
        .map((part) => part.replaceAll("~", "~0").replaceAll("/", "~1"))
        .join("/")}`;
