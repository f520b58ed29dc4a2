import { type FormatName } from "../placement/formats";
import { inOrder } from "./patch";
import { type Ordered, membersInOrder, orderedRecord } from "./ordered";

/** The shapes that something is made in, each where it stands among the others. */
export type Formats = Partial<Readonly<Record<FormatName, Ordered>>>;

/** The formats of a promotion or template in the order they are shown in. */
export const formatsInOrder = ({ formats }: { readonly formats: Formats }): FormatName[] =>
  membersInOrder<FormatName, Ordered>(formats).map(({ id }) => id);

/** Formats in the order of a list. Those that stand as they stood before keep their order keys. */
export const formatRecord = (formats: readonly FormatName[], before: Formats = {}): Formats =>
  inOrder(
    orderedRecord(
      formats.map((id) => ({ id })),
      before,
    ),
  );
