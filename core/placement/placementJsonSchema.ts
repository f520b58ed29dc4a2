import { FORMAT_NAME } from "../document/adjustmentsJsonSchema";
import { type Json, objectJsonSchema as object } from "../document/valueJsonSchemas";
import { FILE_KIND_NAMES } from "../output/fileKinds";
import { LEAST_LIMIT_BYTES, LOUDNESS_RANGE, MOST_LIMIT_BYTES } from "../output/output";
import { RATE_NAMES } from "../output/rates";
import {
  MOST_FURNITURE,
  MOST_FURNITURE_NAME,
  MOST_LETTERS,
  MOST_PLACEMENTS,
  MOST_PLACEMENT_TITLE,
  MOST_SECONDS,
  MOST_TAGS,
  PLACEMENT_ID,
} from "./placementSchema";
import { QUALITIES } from "./quality";

const orNull = (schema: Json): Json => ({ anyOf: [schema, { type: "null" }] });
const share: Json = { type: "number", minimum: 0, maximum: 1 };
const seconds = orNull({ type: "number", exclusiveMinimum: 0, maximum: MOST_SECONDS });
const count = (maximum: number): Json => orNull({ type: "integer", minimum: 1, maximum });
const oneOf = (names: readonly string[]): Json => ({ type: "string", enum: [...names] });
const some = (names: readonly string[]): Json => ({ type: "array", minItems: 1, items: oneOf(names) });

/** The published JSON Schema (draft 2020-12) of a file of placements. */
export const placementJsonSchema = (): Json => ({
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Placements",
  description: "Where promotions go. Places are shares of the frame, lengths seconds, sizes bytes, loudness LUFS.",
  ...object({
    placements: {
      type: "array",
      maxItems: MOST_PLACEMENTS,
      items: object({
        id: { type: "string", pattern: PLACEMENT_ID.source },
        title: { type: "string", pattern: "\\S", maxLength: MOST_PLACEMENT_TITLE },
        format: { type: "string", pattern: `^${FORMAT_NAME}$` },
        furniture: {
          type: "array",
          maxItems: MOST_FURNITURE,
          items: object({
            what: { type: "string", pattern: "\\S", maxLength: MOST_FURNITURE_NAME },
            place: object({ x: share, y: share, width: share, height: share }),
          }),
        },
        ...{ longest: seconds, shortest: seconds },
        loudness: { type: "number", minimum: LOUDNESS_RANGE.least, maximum: LOUDNESS_RANGE.most },
        ...{ quality: oneOf(QUALITIES), kinds: some(FILE_KIND_NAMES), rates: some(RATE_NAMES) },
        mostBytes: orNull({ type: "integer", minimum: LEAST_LIMIT_BYTES, maximum: MOST_LIMIT_BYTES }),
        post: object({
          title: count(MOST_LETTERS),
          body: count(MOST_LETTERS),
          tags: count(MOST_TAGS),
          link: { type: "boolean" },
        }),
      }),
    },
  }),
});
