import { type FormatName } from "../placement/formats";
import { inOrder } from "./patch";
import { membersInOrder, orderedRecord } from "./ordered";
import { type Promotion } from "./promotion";

/** The formats of a promotion in the order they are shown in. */
export const formatsInOrder = ({ formats }: Pick<Promotion, "formats">): FormatName[] =>
  membersInOrder<FormatName, { readonly order: string }>(formats).map(({ id }) => id);

/** Formats in the order of a list, as a promotion has them. */
export const formatRecord = (formats: readonly FormatName[]): Promotion["formats"] =>
  inOrder(orderedRecord(formats.map((id) => ({ id }))));
