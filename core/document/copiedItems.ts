import { type Adjustment, FIELDS, FIELD_IDS } from "./fields";
import { type Adjustments, keysFor, readAdjustmentKey } from "./adjustments";
import { type Item, type Items } from "./items";
import { generateNKeysBetween } from "fractional-indexing";
import { itemKey } from "./itemKey";
import { membersInOrder } from "./ordered";
import { inOrder } from "./patch";
import { freeId } from "./sceneIds";

/** Items with what was set for them. */
export interface ItemsSet {
  readonly items: Items;
  readonly adjustments: Adjustments;
}

/**
 * The items that lie over some scenes alone, put in over those of a document: under free ids, over the scenes that those
 * became. What is set of them that their kind does not have is left out.
 * @param scenes by the ids of the scenes they lie over, the ids of the scenes to come
 * @returns what the document's items and adjustments are then
 */
export function withCopiedItems(into: ItemsSet, from: ItemsSet, scenes: ReadonlyMap<string, string>): ItemsSet {
  const copied = membersInOrder<string, Item>(from.items).filter(
    (item) => scenes.has(item.from) && scenes.has(item.to),
  );
  const last = membersInOrder<string, Item>(into.items).at(-1)?.order ?? null;
  const orders = generateNKeysBetween(last, null, copied.length);
  const taken = takenItemIds(into);
  const items: Record<string, Item> = { ...into.items };
  const adjustments: Record<string, Adjustment> = { ...into.adjustments };
  copied.forEach(({ id: was, ...item }, index) => {
    const id = freeId(was, taken);
    taken.add(id);
    items[id] = {
      ...item,
      order: orders[index] ?? item.order,
      from: scenes.get(item.from) ?? item.from,
      to: scenes.get(item.to) ?? item.to,
    };
    for (const key of keysFor(from.adjustments, { item: was })) {
      const set = fieldsOf(item, from.adjustments[key] ?? {});
      if (Object.keys(set).length > 0) adjustments[key.replace(itemKey(was), itemKey(id))] = set;
    }
  });
  return { items: inOrder(items), adjustments: inOrder(adjustments) };
}

/** Ids that no new item may have. What was set for items that were taken out waits for them. */
export const takenItemIds = ({ items, adjustments }: ItemsSet): Set<string> =>
  new Set([
    ...Object.keys(items),
    ...Object.keys(adjustments).flatMap((key) => {
      const { target } = readAdjustmentKey(key);
      return target && "item" in target ? [target.item] : [];
    }),
  ]);

/** What of an adjustment an item's kind has. */
function fieldsOf({ kind }: Pick<Item, "kind">, adjustment: Adjustment): Adjustment {
  const kept = FIELD_IDS.filter((id) => {
    const field = FIELDS[id];
    return field.of === "item" && field.kinds.some((one) => one === kind) && adjustment[id] !== undefined;
  });
  return Object.fromEntries(kept.map((id) => [id, adjustment[id]]));
}
