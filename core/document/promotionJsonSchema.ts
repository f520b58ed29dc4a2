import { NAMED_FORMATS } from "../placement/formats";
import { fieldJsonSchema } from "./field";
import { FIELDS, FIELD_IDS } from "./fields";
import { itemJsonSchema } from "./items";
import { pieceJsonSchema } from "./lanes";
import { MOST_NAME, MOST_ROWS, MOST_SCENES, MOST_WORDS, PROMOTION_VERSION } from "./promotion";
import { MEMBER_ID, memberIdJsonSchema } from "./memberId";
import { orderJsonSchema } from "./orderKey";
import { MOST_SHOTS, shotJsonSchema } from "./shots";
import { type Json, objectJsonSchema as object, recordJsonSchema } from "./valueJsonSchemas";

const id: Json = { type: "string", format: "uuid" };
const optionalId: Json = { anyOf: [id, { type: "null" }] };
const templateRef: Json = { slug: memberIdJsonSchema, edition: { type: "integer", minimum: 1 } };
const FORMAT_NAME = `(?:${NAMED_FORMATS.join("|")}|[1-9][0-9]{0,2}x[1-9][0-9]{0,2})`;

const record = (pattern: string, member: Json, more?: Json): Json => recordJsonSchema({ pattern }, member, more);

const fill: Json = {
  oneOf: [
    object({ kind: { const: "words" }, text: { type: "string", maxLength: MOST_WORDS } }),
    object({
      kind: { const: "media" },
      shots: record(MEMBER_ID.source, shotJsonSchema, { minProperties: 1, maxProperties: MOST_SHOTS }),
    }),
    object({ kind: { const: "products" }, products: { type: "array", items: id, maxItems: MOST_ROWS } }),
  ],
};

/** What of the registry can be set for something. */
const settable = (of: "scene" | "slot" | "item"): Json => ({
  type: "object",
  minProperties: 1,
  additionalProperties: false,
  properties: Object.fromEntries(
    FIELD_IDS.filter((field) => FIELDS[field].of === of).map((field) => [
      field,
      { title: FIELDS[field].field.label, ...fieldJsonSchema(FIELDS[field].field) },
    ]),
  ),
});

const scene = "[a-z0-9][a-z0-9-]*";
const adjustments: Json = {
  type: "object",
  patternProperties: {
    [`^(?:${scene})?(?:@(?:all|${FORMAT_NAME}))?$`]: settable("scene"),
    [`^${scene}\\.[a-z0-9-]+(?:@${FORMAT_NAME})?$`]: settable("slot"),
    [`^item:${scene}(?:@${FORMAT_NAME})?$`]: settable("item"),
  },
  additionalProperties: false,
};

/**
 * The published JSON Schema (draft 2020-12) of a promotion document. What can be set follows from the registry of fields.
 * What it can't say is checked besides: which layers a field may be set in, and whether a promotion fits its templates.
 */
export const promotionJsonSchema = (): Json => ({
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Promotion",
  description: "Lengths are design units (a format's short side is 1080), times milliseconds.",
  ...object({
    version: { const: PROMOTION_VERSION },
    name: { type: "string", pattern: "\\S", maxLength: MOST_NAME },
    template: object(templateRef),
    brand: id,
    product: optionalId,
    offer: optionalId,
    formats: record(`^${FORMAT_NAME}$`, object({ order: orderJsonSchema }), { minProperties: 1 }),
    scenes: record(
      `^${scene}$`,
      object({ order: orderJsonSchema, from: object({ ...templateRef, scene: memberIdJsonSchema }) }),
      {
        minProperties: 1,
        maxProperties: MOST_SCENES,
      },
    ),
    fills: record(`^${scene}\\.[a-z0-9-]+$`, fill),
    adjustments,
    items: record(`^${scene}$`, itemJsonSchema),
    lanes: record(`^${scene}$`, pieceJsonSchema),
    spare: record(`^${scene}$`, object({ label: { type: "string", minLength: 1, maxLength: 120 }, fill })),
  }),
});
