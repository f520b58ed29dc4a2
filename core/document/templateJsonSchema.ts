import { MOTIONS } from "../motion/wordMotion";
import { FACE_ROLES } from "../brand/book";
import { COLOR_ROLES } from "../color/palette";
import { MOST_FORMATS, NAMED_FORMATS } from "../placement/formats";
import { JOINS } from "./joins";
import { PICTURE_SHAPES, WORDS_BINDINGS, type Slot } from "./sceneTemplate";
import { PURPOSES, TEMPLATE_VERSION } from "./template";
import { WORDS_ROLES } from "./wordsRole";
import { adjustmentsJsonSchema } from "./adjustmentsJsonSchema";
import { MOST_ITEMS, itemJsonSchema } from "./items";
import { memberIdJsonSchema } from "./memberId";
import { orderJsonSchema } from "./orderKey";
import { MOST_SLOTS, MOST_TEMPLATE_SCENES } from "./templateSchema";
import {
  type Json,
  arrangementJsonSchema,
  objectJsonSchema as object,
  placeJsonSchema,
  recordJsonSchema,
} from "./valueJsonSchemas";

const one = (values: readonly unknown[]): Json => ({ enum: values });
const text = (least: number, most: number): Json => ({ type: "string", minLength: least, maxLength: most });
const title = (most: number): Json => ({ ...text(1, most), pattern: "\\S" });
const whole = (least: number, most: number): Json => ({ type: "integer", minimum: least, maximum: most });
const number = (least: number, most: number): Json => ({ type: "number", minimum: least, maximum: most });
const flag: Json = { type: "boolean" };

const formatName: Json = {
  anyOf: [one(NAMED_FORMATS), { type: "string", pattern: "^[1-9][0-9]{0,2}x[1-9][0-9]{0,2}$" }],
};
const slotBase: Json = {
  order: orderJsonSchema,
  label: title(60),
  hint: text(0, 120),
  required: flag,
  allows: object({ content: flag, color: flag, position: flag, remove: flag }),
};

const slots = (media: Json): Readonly<Record<Slot["kind"], Json>> => ({
  words: object(
    { ...slotBase, kind: { const: "words" }, role: one(WORDS_ROLES), budget: whole(1, 160) },
    {
      binding: one(WORDS_BINDINGS),
      fallback: text(0, 160),
      color: one(COLOR_ROLES),
      capitals: flag,
      numbered: flag,
      emphasis: one(COLOR_ROLES),
    },
  ),
  media: object(
    {
      ...slotBase,
      kind: { const: "media" },
      accepts: { type: "array", items: one(["picture", "clip"]), minItems: 1, maxItems: 2 },
      from: { type: "string", pattern: "^(product|nothing|slot:[a-z0-9-]+\\.[a-z0-9-]+)$" },
      needs: object({ shape: one(PICTURE_SHAPES), leastPixels: whole(0, 4096), leastSeconds: number(0, 60) }),
    },
    { media },
  ),
  offer: object({ ...slotBase, kind: { const: "offer" } }),
  products: object({ ...slotBase, kind: { const: "products" }, most: whole(1, 6) }),
});

function templateSchema(media: Json): Json {
  const scene = object({
    order: orderJsonSchema,
    name: title(40),
    arrangement: arrangementJsonSchema,
    length: whole(500, 60_000),
    overlap: whole(0, 3000),
    ground: one(COLOR_ROLES),
    logo: flag,
    slots: recordJsonSchema(memberIdJsonSchema, { oneOf: Object.values(slots(media)) }, { maxProperties: MOST_SLOTS }),
    allows: object({ arrangement: flag, color: flag, timing: flag, remove: flag }),
    places: recordJsonSchema(formatName, { type: "object", additionalProperties: placeJsonSchema }),
  });
  return object({
    version: { const: TEMPLATE_VERSION },
    slug: memberIdJsonSchema,
    name: title(60),
    purpose: one(PURPOSES),
    about: text(0, 200),
    formats: recordJsonSchema(formatName, object({ order: orderJsonSchema }), {
      minProperties: 1,
      maxProperties: MOST_FORMATS,
    }),
    scenes: recordJsonSchema(memberIdJsonSchema, scene, { minProperties: 1, maxProperties: MOST_TEMPLATE_SCENES }),
    style: object({
      motion: one(MOTIONS),
      transition: one(JOINS),
      zoom: flag,
      faces: object({}, Object.fromEntries(WORDS_ROLES.map((role) => [role, one(FACE_ROLES)]))),
    }),
    sound: object({ fadeIn: whole(0, 10_000), fadeOut: whole(0, 10_000), loudness: number(-30, -9) }),
    items: recordJsonSchema(memberIdJsonSchema, itemJsonSchema, { maxProperties: MOST_ITEMS }),
    adjustments: adjustmentsJsonSchema,
  });
}

/**
 * The published JSON Schema (draft 2020-12) of a template package's `template.json`. What it can't say is checked besides:
 * ids occur once, and a transition takes at most half its scene.
 */
export function packageJsonSchema(): Json {
  return {
    $schema: "https://json-schema.org/draft/2020-12/schema",
    title: "Template package",
    description:
      "template.json of a template package: a zip with this file, and the media it names. Lengths are design units (a format's short side is 1080), times milliseconds.",
    ...object({
      format: { const: "stencilcraft-template" },
      version: { const: 1 },
      template: templateSchema({ type: "string", pattern: "^media/[^/\\\\]+$" }),
      media: {
        type: "array",
        maxItems: 60,
        items: object({
          file: { type: "string", pattern: "^media/[^/\\\\]+$" },
          name: title(200),
          kind: one(["picture", "clip"]),
          sha256: { type: "string", pattern: "^[0-9a-f]{64}$" },
          rights: object({
            source: text(0, 200),
            licence: text(0, 200),
            holder: text(0, 200),
            from: { type: ["string", "null"] },
            to: { type: ["string", "null"] },
          }),
        }),
      },
      fonts: { type: "array", maxItems: 20, items: object({ role: one(FACE_ROLES), family: title(80) }) },
    }),
  };
}

/** The schema of a template document by itself, as the database and the workshop have it: media by id. */
export const templateJsonSchema = (): Json => templateSchema({ type: "string", format: "uuid" });
