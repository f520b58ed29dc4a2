import { array, number, object, string } from "yup";
import { type FaceCatalogue, type FaceFiles } from "./faces";

const files = array(
  object({ id: string().required(), ranges: array(number().required()).required() })
    .noUnknown()
    .required(),
).required();
const schema = object({
  faces: object().required(),
  fallback: array(string().required()).required(),
  emoji: array(string().required()).required(),
}).required();

/** Reads the list of shipped typefaces as it comes over the network. Throws Yup's ValidationError. */
export function readFaceCatalogue(value: unknown): FaceCatalogue {
  const { faces, fallback, emoji } = schema.validateSync(value, { strict: true });
  const byName = Object.entries(faces).map(([name, listed]: [string, unknown]): [string, FaceFiles] => [
    name,
    files.validateSync(listed, { strict: true }),
  ]);
  return { faces: Object.fromEntries(byName), fallback, emoji };
}
