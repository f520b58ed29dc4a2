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
  (Object.entries(record) as [Id, Member][]).map(([id, member]) => ({ ...member, id })).sort(inTheirOrder);

/** The members of a record in the order they are shown in, each with its id and without its order key. */
export const listedMembers = <Id extends string, Member extends Ordered>(
  record: Partial<Readonly<Record<Id, Member>>>,
): (Omit<Member, "order"> & { readonly id: Id })[] =>
  (Object.entries(record) as [Id, Member][])
    .map(([id, { order, ...member }]) => ({ order, id, member: { ...member, id } }))
    .sort(inTheirOrder)
    .map(({ member }) => member);

type Placed = Ordered & { readonly id: string };
const inTheirOrder = (one: Placed, other: Placed): number =>
  byBytes(one.order, other.order) || byBytes(one.id, other.id);
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

/** The order key for one more behind all members of a record. */
export const orderBehind = (record: Partial<Readonly<Record<string, Ordered>>>): string => {
  const others = membersInOrder(record);
  return orderAt(others, others.length);
};

/**
 * Members in the order of a list, as a record by their ids. Those that stand as they stood before keep the order keys
 * they had there, so that as few places as can be differ from it.
 */
export function orderedRecord<Id extends string, Rest extends object>(
  list: readonly (Rest & { readonly id: Id })[],
  before: Partial<Readonly<Record<Id, Ordered>>> = {},
): Record<Id, Rest & Ordered> {
  const kept = longestRising(list.map(({ id }) => before[id]?.order ?? null));
  const orders = list.map((_, index): Ordered | null => kept[index] ?? null);
  list.forEach((_, index) => {
    if (orders[index]) return;
    const next = orders.findIndex((order, at) => at > index && order !== null);
    const end = next === -1 ? list.length : next;
    const keys = generateNKeysBetween(orders[index - 1]?.order ?? null, orders[end]?.order ?? null, end - index);
    keys.forEach((order, at) => (orders[index + at] = { order }));
  });
  // By the ids that the list has, and no others.
  return Object.fromEntries(
    list.map(({ id, ...rest }, index) => [id, { order: orders[index]?.order ?? "", ...rest }]),
  ) as unknown as Record<Id, Rest & Ordered>;
}

/** Of a list of order keys, the most that can stay as they are: each behind the one before. Null for all others. */
function longestRising(orders: readonly (string | null)[]): (Ordered | null)[] {
  // The best row of keys that ends at each place: lists are of a few dozen, so every pair is looked at.
  const best: { readonly length: number; readonly from: number }[] = [];
  orders.forEach((order) => {
    const rows = best.map(({ length }, from) => ({ length, from, end: orders[from] ?? null }));
    const joined = rows.filter(({ end }) => order !== null && end !== null && end < order);
    const longest = joined.reduce((one, row) => (row.length > one.length ? row : one), { length: 0, from: -1 });
    best.push({ length: order === null ? 0 : longest.length + 1, from: longest.from });
  });
  const kept: (Ordered | null)[] = orders.map(() => null);
  const most = Math.max(0, ...best.map(({ length }) => length));
  for (let at = most === 0 ? -1 : best.findIndex(({ length }) => length === most); at !== -1; at = best[at]?.from ?? -1)
    kept[at] = { order: orders[at] ?? "" };
  return kept;
}
