import { adjustmentsJsonSchema, FORMAT_NAME } from "./adjustmentsJsonSchema";
import { MOST_CAPTIONS, captionJsonSchema } from "./captionsPart";
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

const scene = "[a-z0-9][a-z0-9-]*";
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
    placements: record(`^${scene}$`, object({ order: orderJsonSchema })),
    scenes: record(
      `^${scene}$`,
      object({ order: orderJsonSchema, from: object({ ...templateRef, scene: memberIdJsonSchema }) }),
      {
        minProperties: 1,
        maxProperties: MOST_SCENES,
      },
    ),
    fills: record(`^${scene}\\.[a-z0-9-]+$`, fill),
    adjustments: adjustmentsJsonSchema,
    items: record(`^${scene}$`, itemJsonSchema),
    lanes: record(`^${scene}$`, pieceJsonSchema),
    captions: record(`^${scene}$`, captionJsonSchema, { maxProperties: MOST_CAPTIONS }),
    longer: { anyOf: [object({ promotion: id, revision: { type: "integer", minimum: 1 } }), { type: "null" }] },
    spare: record(`^${scene}$`, object({ label: { type: "string", minLength: 1, maxLength: 120 }, fill })),
  }),
});
