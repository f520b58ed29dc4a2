import { type Schema, lazy, object } from "yup";
import { recordBy } from "./records";

/** A schema for a record, whatever its keys are: each of its values is one of a kind. */
export const recordSchema = (each: Schema) =>
  lazy((all: unknown) =>
    object(typeof all === "object" && all !== null ? recordBy(Object.keys(all), () => each) : {}).required(),
  );
