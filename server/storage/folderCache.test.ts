import { mkdtemp, readFile, readdir, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { folderCache } from "./folderCache";

const HOUR = 60 * 60 * 1000;
let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterEach(() => rm(folder, { recursive: true }));

test("what was asked for longest ago goes when there is too much; what was asked for lately stays, and is fetched once", async () => {
  let now = Date.parse("2026-11-01T08:00:00Z");
  const fetched: string[] = [];
  const cached = folderCache(folder, 250, () => now);
  const ask = async (key: string): Promise<string> => {
    now += 2 * HOUR;
    const path = await cached(key, (to) => {
      fetched.push(key);
      return writeFile(to, key.repeat(100));
    });
    return readFile(path, "utf8");
  };
  await ask("a");
  await ask("b");
  await ask("a");
  expect(await ask("c")).toBe("c".repeat(100));
  expect(fetched).toEqual(["a", "b", "c"]);
  expect(await readdir(folder)).toHaveLength(2);
  await ask("a");
  expect(fetched).toEqual(["a", "b", "c"]);
  await ask("b");
  expect(fetched).toEqual(["a", "b", "c", "b"]);
});

test("what was given to somebody within the hour stays, however much there is; what could not be fetched leaves nothing", async () => {
  const cached = folderCache(folder, 10, () => Date.now());
  for (const key of ["a", "b", "c"]) await cached(key, (to) => writeFile(to, "x".repeat(100)));
  expect(await readdir(folder)).toHaveLength(3);
  await expect(cached("d", () => Promise.reject(new Error("no such file")))).rejects.toThrow("no such file");
  expect(await readdir(folder)).toHaveLength(3);
});

test("two who ask for one file at the same moment share one fetch", async () => {
  let fetches = 0;
  const cached = folderCache(folder, 1000);
  const fetchTo = (to: string): Promise<void> => {
    fetches++;
    return writeFile(to, "once");
  };
  const paths = await Promise.all([cached("a", fetchTo), cached("a", fetchTo)]);
  expect(fetches).toBe(1);
  expect(paths[0]).toBe(paths[1]);
});
