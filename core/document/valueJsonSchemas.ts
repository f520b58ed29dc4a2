import { ARRANGEMENT_NAMES, parametersOf, type ArrangementName } from "./arrangements";
import { fieldJsonSchema } from "./field";
import { LEAST_SIDE } from "../placement/leastSide";
import { FARTHEST } from "./placeSchema";

export type Json = Readonly<Record<string, unknown>>;

/** An object with these fields and no others, as JSON Schema says it; `optional` ones may be left out. */
export const objectJsonSchema = (fields: Json, optional: Json = {}): Json => ({
  type: "object",
  properties: { ...fields, ...optional },
  required: Object.keys(fields),
  additionalProperties: false,
});

/** Members by names that answer to a schema. */
export const recordJsonSchema = (names: Json, member: Json, more: Json = {}): Json => ({
  type: "object",
  propertyNames: names,
  additionalProperties: member,
  ...more,
});

const ofArrangement = (name: ArrangementName): Json =>
  objectJsonSchema({
    name: { const: name },
    ...Object.fromEntries(Object.entries(parametersOf(name)).map(([key, field]) => [key, fieldJsonSchema(field)])),
  });

export const arrangementJsonSchema: Json = { oneOf: ARRANGEMENT_NAMES.map(ofArrangement) };

const at: Json = { type: "number", minimum: -FARTHEST, maximum: FARTHEST };
const side: Json = { type: "number", minimum: LEAST_SIDE, maximum: FARTHEST };
export const placeJsonSchema: Json = objectJsonSchema({ x: at, y: at, width: side, height: side });
