import { lazy, object, string } from "yup";
import { type OfferedMedia } from "../../server/media/offeredMedia";

const item = object({
  facts: object({ name: string().required(), kind: string().required() }).required(),
  rights: object().required(),
});
const offered = lazy((value: object | null) =>
  object(Object.fromEntries(Object.keys(value ?? {}).map((id) => [id, item.required()]))).required(),
);

/** Whether it is media by id, as they are offered to slots. */
export const isOffered = (value: unknown): value is Readonly<Record<string, OfferedMedia>> =>
  offered.isValidSync(value);
