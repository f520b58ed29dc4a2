import { object, string, type Schema } from "yup";
import { ARRANGEMENT_NAMES, parametersOf, type Arrangement, type ArrangementName } from "./arrangements";
import { fieldSchema } from "./field";
import { oneOfKinds } from "./oneOfKinds";

function schemaOfArrangement(name: ArrangementName): Schema<unknown> {
  const parameters = Object.entries(parametersOf(name)).map(([key, field]) => [key, fieldSchema(field)]);
  return object({ name: string().oneOf([name]).required(), ...Object.fromEntries(parameters) }).noUnknown();
}

/** The schema that an arrangement must answer to, by its name. */
export const arrangementSchema = oneOfKinds(
  "name",
  ARRANGEMENT_NAMES,
  schemaOfArrangement,
  `An arrangement is one of: ${ARRANGEMENT_NAMES.join(", ")}.`,
) as (value: unknown) => Schema<Arrangement>;
