import { LRUCache } from "lru-cache";

/**
 * Keeps what work gives under a key for whoever asks next, also while it is under way. What fails is forgotten; of the others
 * the longest unused goes first. @param most how many are kept
 */
export function remembered<Value extends object>(
  most: number,
): (key: string, work: () => Promise<Value>) => Promise<Value> {
  const kept = new LRUCache<string, Promise<Value>>({ max: most });
  return (key, work) => {
    const value = kept.get(key) ?? work();
    kept.set(key, value);
    value.catch(() => kept.delete(key));
    return value;
  };
}
