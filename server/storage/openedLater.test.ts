import { openedLater } from "./openedLater";
import { type Store, type StoredFile } from "./storeType";

const CONTENTS = [{ key: "a/1", bytes: 3, keptAt: new Date(0) }];
function memory(): Store & { readonly done: string[] } {
  const done: string[] = [];
  return {
    done,
    has: (key) => Promise.resolve(key === "a/1"),
    keep: (key, file) => Promise.resolve(void done.push(`keep ${key} ${file}`)),
    local: (key) => Promise.resolve(`/files/${key}`),
    list: (folder) => Promise.resolve([`in ${folder}`]),
    remove: (key) => Promise.resolve(void done.push(`remove ${key}`)),
    // eslint-disable-next-line @typescript-eslint/require-await -- what lies in memory need not be waited for
    async *under(folder) {
      yield* CONTENTS.filter(({ key }) => key.startsWith(folder));
    },
  };
}

test("it is opened once, when it is first asked, and asked everything", async () => {
  const opened = memory();
  let times = 0;
  const store = openedLater(() => {
    times++;
    return Promise.resolve(opened);
  });
  expect(times).toBe(0);
  expect(await Promise.all([store.has("a/1"), store.has("a/2")])).toEqual([true, false]);
  await store.keep("a/2", "/tmp/two");
  await store.remove("a/1");
  expect(opened.done).toEqual(["keep a/2 /tmp/two", "remove a/1"]);
  expect(await store.local("a/1")).toBe("/files/a/1");
  expect(await store.list("a")).toEqual(["in a"]);
  const lies: StoredFile[] = [];
  for await (const file of store.under("a")) lies.push(file);
  expect(lies).toEqual(CONTENTS);
  expect(times).toBe(1);
});

test("one that could not be opened is said to be so, and opened when it is asked again", async () => {
  let times = 0;
  const store = openedLater(() => (times++ === 0 ? Promise.reject(new Error("no keys")) : Promise.resolve(memory())));
  await expect(store.has("a/1")).rejects.toThrow("no keys");
  expect(await store.has("a/1")).toBe(true);
});
