import { number, object } from "yup";
import { LEAST_SIDE } from "../placement/leastSide";

/** Far outside any shape: a place may hang over an edge, not lie nowhere. */
export const FARTHEST = 4000;

const at = number().min(-FARTHEST).max(FARTHEST).required();
const side = number().min(LEAST_SIDE, `At least ${LEAST_SIDE} units.`).max(FARTHEST).required();

/** A place set by hand, in design units. */
export const placeSchema = object({ x: at, y: at, width: side, height: side }).noUnknown();
