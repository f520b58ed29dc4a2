import { generateKeyBetween, generateNKeysBetween } from "fractional-indexing";

/** Something that stands among others of its record. */
export interface Ordered {
  /** Sorted by, as by bytes. */
  readonly order: string;
}

/** The members of a record, each with its id, in the order they are shown in. Two that were put at one place stand by their ids. */
export const membersInOrder = <Id extends string, Member extends Ordered>(
  record: Partial<Readonly<Record<Id, Member>>>,
): (Member & { readonly id: Id })[] =>
  (Object.entries(record) as [Id, Member][])
    .map(([id, member]) => ({ ...member, id }))
    .sort((one, other) => byBytes(one.order, other.order) || byBytes(one.id, other.id));

const byBytes = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/** Order keys for some that come in before the one at `at`, counted from 0. */
export function ordersAt(members: readonly Ordered[], at: number, count: number): string[] {
  const [before, after] = [members[at - 1]?.order ?? null, members[at]?.order ?? null];
  // Two that were put at one place have one key: what comes between them goes behind both.
  return before !== null && before === after
    ? ordersAt(members, at + 1, count)
    : generateNKeysBetween(before, after, count);
}

/** The order key for a place among others. */
export const orderAt = (others: readonly Ordered[], at: number): string =>
  ordersAt(others, at, 1)[0] ?? generateKeyBetween(null, null);

/** Members in the order of a list, as a record by their ids. */
export function orderedRecord<Id extends string, Rest extends object>(
  list: readonly (Rest & { readonly id: Id })[],
): Record<Id, Rest & Ordered> {
  const orders = generateNKeysBetween(null, null, list.length);
  // By the ids that the list has, and no others.
  return Object.fromEntries(
    list.map(({ id, ...rest }, index) => [id, { order: orders[index] ?? "", ...rest }]),
  ) as unknown as Record<Id, Rest & Ordered>;
}
