import { number, object } from "yup";
import { objectJsonSchema } from "./valueJsonSchemas";

/** A point may lie outside the frame by as much as the frame measures, so that things come half into sight. */
const share = number().min(-1).max(2).required();

/** A point of the frame, as shares of its width and height. */
export const pointSchema = object({ x: share, y: share }).noUnknown();
export const pointJsonSchema = objectJsonSchema({
  x: { type: "number", minimum: -1, maximum: 2 },
  y: { type: "number", minimum: -1, maximum: 2 },
});
