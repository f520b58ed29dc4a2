import { NAMED_FORMATS } from "../placement/formats";
import { fieldJsonSchema } from "./field";
import { FIELDS, FIELD_IDS } from "./fields";
import { type Json } from "./valueJsonSchemas";

/** The names of formats, as a pattern. */
export const FORMAT_NAME = `(?:${NAMED_FORMATS.join("|")}|[1-9][0-9]{0,2}x[1-9][0-9]{0,2})`;

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
/** What is set in a document, by where it holds. */
export const adjustmentsJsonSchema: Json = {
  type: "object",
  patternProperties: {
    [`^(?:${scene})?(?:@(?:all|${FORMAT_NAME}))?$`]: settable("scene"),
    [`^${scene}\\.[a-z0-9-]+(?:@${FORMAT_NAME})?$`]: settable("slot"),
    [`^item:${scene}(?:@${FORMAT_NAME})?$`]: settable("item"),
  },
  additionalProperties: false,
};
