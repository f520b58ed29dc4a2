import { object, string } from "yup";
import { recordSchema } from "../../core/recordSchema";
import { RIGHTS_WORDS } from "../../core/document/rights";
import type { OfferedMedia } from "../../server/media/offeredMedia";

const item = object({
  facts: object({ id: string().required(), name: string().required(), kind: string().required() }).required(),
  rights: string().oneOf(Object.keys(RIGHTS_WORDS)).required(),
}).required();
const offered = recordSchema(item);

/** Whether it is a media item as it is offered to slots. */
export const isOfferedItem = (value: unknown): value is OfferedMedia => item.isValidSync(value);

/** Whether it is media by id, as they are offered to slots. */
export const isOffered = (value: unknown): value is Readonly<Record<string, OfferedMedia>> =>
  offered.isValidSync(value);
