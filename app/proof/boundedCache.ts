/** Things kept by name up to a number of bytes; the ones that were not used for longest go first. */
export interface BoundedCache<Value> {
  readonly get: (key: string) => Value | null;
  readonly has: (key: string) => boolean;
  readonly put: (key: string, value: Value, bytes: number) => void;
  /** How much is kept. */
  readonly bytes: () => number;
}

/** What was used within this time is on screen, as like as not: it stays, whatever the bound. */
const IN_USE_MS = 2000;

interface Entry<Value> {
  readonly value: Value;
  readonly bytes: number;
  at: number;
}

/**
 * @param most bytes
 * @param onDrop is told what goes, so that it can be freed
 * @param now the time in milliseconds
 */
export function boundedCache<Value>(
  most: number,
  onDrop: (key: string, value: Value) => void,
  now: () => number,
): BoundedCache<Value> {
  // A map keeps the order in which its keys were put in: the one used last is put in again.
  const entries = new Map<string, Entry<Value>>();
  let total = 0;

  function touched(key: string): Entry<Value> | null {
    const entry = entries.get(key);
    if (!entry) return null;
    entry.at = now();
    entries.delete(key);
    entries.set(key, entry);
    return entry;
  }

  function makeRoom(): void {
    for (const [key, { value, bytes, at }] of entries) {
      if (total <= most || now() - at < IN_USE_MS) return;
      entries.delete(key);
      total -= bytes;
      onDrop(key, value);
    }
  }

  return {
    get: (key) => touched(key)?.value ?? null,
    has: (key) => touched(key) !== null,
    put(key, value, bytes) {
      total += bytes - (entries.get(key)?.bytes ?? 0);
      entries.delete(key);
      entries.set(key, { value, bytes, at: now() });
      makeRoom();
    },
    bytes: () => total,
  };
}
