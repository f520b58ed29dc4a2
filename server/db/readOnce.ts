import { LRUCache } from "lru-cache";

const MOST_KEPT = 500;

/**
 * Reads JSON through a schema, the same JSON once: what was read of it before is given again. Schemas are slow, and most
 * of what the database holds is read many times before it changes. What is given is shared, so nobody may write to it.
 *
 * @param read throws what the schema throws; nothing is kept then
 */
export function readOnce<Value extends object>(read: (value: unknown) => Value): (value: unknown) => Value {
  const kept = new LRUCache<string, Value>({ max: MOST_KEPT });
  return (value) => {
    const key = JSON.stringify(value);
    const before = kept.get(key);
    if (before) return before;
    const fresh = read(value);
    kept.set(key, fresh);
    return fresh;
  };
}
