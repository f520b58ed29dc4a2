/** An item's key where something is set for it, and where it is marked. No scene's id and no slot's address is like it. */
export type ItemKey = `item:${string}`;

const ITEM = "item:";

export const itemKey = (id: string): ItemKey => `${ITEM}${id}`;

/** The id that an item's key names, whatever format follows it; null where a key is none of an item. */
export const itemOfKey = (key: string): string | null =>
  key.startsWith(ITEM) ? (key.slice(ITEM.length).split("@")[0] ?? null) : null;
