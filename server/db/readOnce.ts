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
  // What is kept in memory comes as the same object each time, and need not be written out to be known again.
  const seen = new WeakMap<object, Value>();
  return (value) => {
    const isObject = typeof value === "object" && value !== null;
    const known = isObject ? seen.get(value) : undefined;
    if (known) return known;
    const key = JSON.stringify(value);
    const found = kept.get(key) ?? read(value);
    kept.set(key, found);
    if (isObject) seen.set(value, found);
    return found;
  };
}
