import { type Store } from "./storeType";

/** A store that is opened when it is first asked for something. Where that fails, whoever asks next tries again. */
export function openedLater(open: () => Promise<Store>): Store {
  let opened: Promise<Store> | null = null;
  const store = (): Promise<Store> => {
    opened ??= open();
    opened.catch(() => (opened = null));
    return opened;
  };
  return {
    has: async (key) => (await store()).has(key),
    keep: async (key, localFile) => (await store()).keep(key, localFile),
    local: async (key) => (await store()).local(key),
    list: async (folder) => (await store()).list(folder),
    remove: async (key) => (await store()).remove(key),
    async *under(folder) {
      yield* (await store()).under(folder);
    },
  };
}
