const isKeyOf = <Key extends string>(record: Readonly<Record<Key, unknown>>, text: string): text is Key =>
  Object.hasOwn(record, text);

/** The keys of a record, in its order. A type can't say that a record holds no others; those that are written out don't. */
export const keysOf = <Key extends string>(record: Readonly<Record<Key, unknown>>): Key[] =>
  Object.keys(record).filter((key) => isKeyOf(record, key));

/** The key of a record that a text names; null where it names none. */
export const keyIn = <Key extends string>(all: Readonly<Record<Key, unknown>>, text: string | null): Key | null =>
  text !== null && isKeyOf(all, text) ? text : null;

/** A record of a value for each key. Entries forget which keys they came from; here they are all of them. */
export const recordOf = <Key extends string, Value>(
  entries: readonly (readonly [key: Key, value: Value])[],
): Record<Key, Value> => Object.fromEntries(entries) as Record<Key, Value>;

/** A record with a value for each of some keys. */
export const recordBy = <Key extends string, Value>(
  keys: readonly Key[],
  valueOf: (key: Key) => Value,
): Record<Key, Value> => recordOf(keys.map((key) => [key, valueOf(key)]));
