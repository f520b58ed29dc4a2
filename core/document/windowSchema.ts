import { number, object } from "yup";
import { LEAST_WINDOW } from "../geometry/cropWindow";
import { objectJsonSchema } from "./valueJsonSchemas";

const start = number()
  .min(0)
  .max(1 - LEAST_WINDOW)
  .required();
const side = number().min(LEAST_WINDOW, "At least a twentieth of the picture.").max(1).required();
/** What is left of adding two shares up. */
const SLACK = 1e-9;

/** A part of a picture, in shares of its width and height. */
export const windowSchema = object({ x: start, y: start, width: side, height: side })
  .noUnknown()
  .test(
    "inside",
    "What is used of a picture lies within it.",
    ({ x, y, width, height }) => x + width <= 1 + SLACK && y + height <= 1 + SLACK,
  );

const startJson = { type: "number", minimum: 0, maximum: 1 - LEAST_WINDOW };
const sideJson = { type: "number", minimum: LEAST_WINDOW, maximum: 1 };
export const windowJsonSchema = objectJsonSchema({ x: startJson, y: startJson, width: sideJson, height: sideJson });
