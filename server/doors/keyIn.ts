/** The key of a record that a text names; null where it names none. */
export const keyIn = <Key extends string>(all: Readonly<Record<Key, unknown>>, text: string | null): Key | null =>
  (Object.keys(all) as Key[]).find((key) => key === text) ?? null;
