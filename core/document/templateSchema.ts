import { array, boolean, lazy, mixed, number, object, string, type Schema } from "yup";
import { FACE_ROLES } from "../brand/book";
import { COLOR_ROLES } from "../color/palette";
import { MOST_FORMATS, isFormatName } from "../placement/formats";
import { arrangementSchema } from "./arrangementSchema";
import { oneOfKinds } from "./oneOfKinds";
import { placeSchema } from "./placeSchema";
import {
  MOTIONS,
  PICTURE_SHAPES,
  PURPOSES,
  TEMPLATE_VERSION,
  TRANSITIONS,
  WORDS_BINDINGS,
  WORDS_ROLES,
  type Slot,
  type Template,
} from "./template";
import { upgradeTemplate } from "./upgrades";

export const MOST_TEMPLATE_SCENES = 12;
export const MOST_SLOTS = 12;

const slug = string()
  .matches(/^[a-z0-9][a-z0-9-]{0,59}$/, "An id is lower-case letters, digits and hyphens, at most 60.")
  .required();
const title = (most: number) =>
  string().matches(/\S/, "This must not be blank.").max(most, `At most ${most} characters.`).required();
const text = (most: number) => string().max(most, `At most ${most} characters.`).defined();
const flag = boolean().required();
const millis = (least: number, most: number) =>
  number()
    .integer("Times are whole milliseconds.")
    .min(least, `At least ${least} ms.`)
    .max(most, `At most ${most} ms.`)
    .required();

const slotBase = {
  id: slug,
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
const slotSchema = oneOfKinds("kind", SLOT_KINDS, (kind) => SLOTS[kind], `A slot is one of: ${SLOT_KINDS.join(", ")}.`);

const formatName = string()
  .required()
  .test(
    "format",
    "There is no such format: it is square, vertical, widescreen, portrait or a ratio as in 5x7.",
    isFormatName,
  );

const places = lazy((value: unknown): Schema<unknown> => {
  const isByFormat = Object.keys(value ?? {}).every(isFormatName);
  return isByFormat
    ? (recordOf(value, (of) => recordOf(of, () => placeSchema)).required() as Schema<unknown>)
    : (mixed().test("formats", "Places are given by format.", () => false) as Schema<unknown>);
});

/** What is given by names, whatever they are. */
const recordOf = (value: unknown, schemaOf: (member: unknown) => Schema<unknown>): Schema<unknown> =>
  typeof value === "object" && value !== null
    ? object(Object.fromEntries(Object.entries(value).map(([key, member]) => [key, schemaOf(member).required()])))
    : object();

const once = (what: string) => ({
  name: "once",
  message: `Two ${what} have the same id.`,
  test: (list: readonly { id?: unknown }[] | undefined): boolean =>
    new Set(list?.map(({ id }) => id)).size === (list?.length ?? 0),
});

const scene = object({
  id: slug,
  name: title(40),
  arrangement: lazy((value: unknown) => arrangementSchema(value)),
  length: millis(500, 60_000),
  overlap: millis(0, 3000),
  ground: string().oneOf(COLOR_ROLES).required(),
  logo: flag,
  slots: array(lazy((value: unknown) => slotSchema(value) as Schema<{ id: string }>))
    .max(MOST_SLOTS, `A scene has at most ${MOST_SLOTS} slots.`)
    .required()
    .test(once("slots of a scene")),
  allows: object({ arrangement: flag, color: flag, timing: flag, remove: flag }).noUnknown().required(),
  places,
})
  .noUnknown()
  .required()
  .test("overlap", "A transition takes at most half its scene.", (value) => value.overlap * 2 <= value.length);

const schema = object({
  version: number().oneOf([TEMPLATE_VERSION], "This template was written by a newer Stencilcraft.").required(),
  slug,
  name: title(60),
  purpose: string().oneOf(PURPOSES).required(),
  about: text(200),
  formats: array(formatName)
    .min(1, "A template is made in one format at least.")
    .max(MOST_FORMATS, `At most ${MOST_FORMATS} formats.`)
    .required()
    .test("once", "A format is there twice.", (formats) => new Set(formats).size === formats.length),
  scenes: array(scene)
    .min(1, "A template needs at least one scene.")
    .max(MOST_TEMPLATE_SCENES, `A template has at most ${MOST_TEMPLATE_SCENES} scenes.`)
    .required()
    .test(once("scenes")),
  style: object({
    motion: string().oneOf(MOTIONS).required(),
    transition: string().oneOf(TRANSITIONS).required(),
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
})
  .noUnknown()
  .required();

/**
 * Reads a template document at any door, upgrading older versions. Throws Yup's ValidationError with every problem and the
 * path of its field.
 */
export function readTemplate(value: unknown): Template {
  const read = schema.validateSync(upgradeTemplate(value), { strict: true, abortEarly: false });
  return read as unknown as Template;
}

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
