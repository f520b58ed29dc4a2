import { object, string } from "yup";
import { type Json } from "./valueJsonSchemas";

const ORDER = /^[0-9A-Za-z]{1,60}$/;

/** Where a member stands among the others of its record. */
export const orderKey = string().matches(ORDER, "An order is letters and digits.").required();
/** A member of which nothing is said but where it stands. */
export const orderOnly = object({ order: orderKey }).noUnknown().required();
export const orderJsonSchema: Json = { type: "string", pattern: ORDER.source };
