import { mkdtemp, readFile, readdir, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { folderStore } from "./folderStore";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterEach(() => rm(folder, { recursive: true }));

async function file(text: string): Promise<string> {
  const path = join(folder, `in-${text}`);
  await writeFile(path, text);
  return path;
}

test("a file is there whole after it was kept, and nothing is left aside", async () => {
  const store = folderStore(join(folder, "store"));
  await store.keep("media/a/b", await file("one"));
  expect(await readFile(await store.local("media/a/b"), "utf8")).toBe("one");
  expect(await readdir(join(folder, "store/media/a"))).toEqual(["b"]);
});

test("what a key names never changes", async () => {
  const store = folderStore(join(folder, "store"));
  await store.keep("k/1", await file("one"));
  await store.keep("k/1", await file("two"));
  expect(await readFile(await store.local("k/1"), "utf8")).toBe("one");
});

test("a missing file is named, a removed one is gone", async () => {
  const store = folderStore(join(folder, "store"));
  await expect(store.local("k/none")).rejects.toThrow("“k/none”");
  await store.keep("k/1", await file("one"));
  await store.remove("k/1");
  expect(await store.has("k/1")).toBe(false);
});

test("the files of a folder are listed, without those of folders inside it and those not whole yet", async () => {
  const store = folderStore(join(folder, "store"));
  await store.keep("a/two", await file("2"));
  await store.keep("a/one", await file("1"));
  await store.keep("a/b/three", await file("3"));
  await writeFile(join(folder, "store/a/one.x.part"), "half");
  expect(await store.list("a")).toEqual(["one", "two"]);
  expect(await store.list("none")).toEqual([]);
});

test("a key can't leave the store", async () => {
  await expect(folderStore(join(folder, "store")).keep("../outside", await file("x"))).rejects.toThrow(
    "inside the store",
  );
});
