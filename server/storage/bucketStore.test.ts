import { randomBytes } from "node:crypto";
import { once } from "node:events";
import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import S3rver from "s3rver";
import { readConfig } from "../config";
import { bucketStore } from "./bucketStore";
import { type Store } from "./storeType";

/** A bucket on loopback that speaks the protocol of S3, made by a package of its own: it checks access keys and joins parts. */
let folder: string;
let bucket: S3rver;
let endpoint: string;
let asked: string[] = [];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  bucket = new S3rver({
    address: "127.0.0.1",
    port: 0,
    silent: true,
    directory: join(folder, "bucket"),
    configureBuckets: [{ name: "media", configs: [] }],
  });
  bucket.middleware.unshift(async (context, next) => {
    asked.push(`${context.method} ${context.url}`);
    // Whoever asks for these waits until they give up.
    if (context.url.includes("silent/")) await once(context.res, "close");
    else await next();
  });
  const address: AddressInfo = await bucket.run();
  endpoint = `http://127.0.0.1:${address.port}`;
});
afterAll(async () => {
  await bucket.close();
  await rm(folder, { recursive: true });
});

let data: string;
beforeEach(async () => {
  data = await mkdtemp(join(folder, "data-"));
  asked = [];
});

const settings = (change: Record<string, string> = {}) =>
  readConfig({
    DATABASE_URL: "postgres://none",
    STENCILCRAFT_DATA: data,
    S3_BUCKET: "media",
    S3_ENDPOINT: endpoint,
    S3_ACCESS_KEY_ID: "S3RVER",
    S3_SECRET_ACCESS_KEY: "S3RVER",
    ...change,
  });

async function kept(contents: string | Buffer, key: string): Promise<Store> {
  const store = bucketStore(settings());
  const path = join(data, "file");
  await writeFile(path, contents);
  await store.keep(key, path);
  return store;
}

test("a file goes into the bucket, and comes back as a local copy", async () => {
  const store = await kept("a pot", "media/ab/original");
  expect(await store.has("media/ab/original")).toBe(true);
  expect(await readFile(await store.local("media/ab/original"), "utf8")).toBe("a pot");
});

test("a large file is sent in parts, and is the same again", async () => {
  const large = randomBytes(12_000_000);
  const store = await kept(large, "media/large");
  expect(asked.filter((line) => line.includes("partNumber=")).length).toBeGreaterThanOrEqual(3);
  expect((await readFile(await store.local("media/large"))).equals(large)).toBe(true);
});

test("a local copy is fetched once, even when two ask at the same time", async () => {
  const store = await kept("a pot", "k");
  await Promise.all([store.local("k"), store.local("k")]);
  await store.local("k");
  expect(asked.filter((line) => line.startsWith("GET")).length).toBe(1);
});

test("what a key names is sent once and never changes", async () => {
  await kept("one", "twice");
  const store = await kept("two", "twice");
  expect(asked.filter((line) => line.startsWith("PUT")).length).toBe(1);
  expect(await readFile(await store.local("twice"), "utf8")).toBe("one");
});

test("the files of a folder are listed, without those of folders inside it", async () => {
  await kept("1", "listed/b");
  await kept("2", "listed/a");
  const store = await kept("3", "listed/inside/c");
  expect(await store.list("listed")).toEqual(["a", "b"]);
  expect(await store.list("nowhere")).toEqual([]);
});

test("a missing file is named, a removed one is gone", async () => {
  const store = await kept("x", "gone");
  await store.remove("gone");
  expect(await store.has("gone")).toBe(false);
  await expect(store.local("none")).rejects.toThrow("“none”");
});

test("an unknown key is an error, not a missing file", async () => {
  await kept("x", "there");
  const store = bucketStore(settings({ S3_ACCESS_KEY_ID: "SOMEBODY" }));
  await expect(store.local("there")).rejects.toThrow("Access Key Id");
});

test("a bucket that says nothing is asked anew, and then is an error: nobody waits for ever", async () => {
  const store = bucketStore(settings(), 200);
  await expect(store.local("silent/pot")).rejects.toThrow(/timed out|timeout/i);
  await writeFile(join(data, "file"), "a pot");
  await expect(store.keep("silent/other", join(data, "file"))).rejects.toThrow(/timed out|timeout/i);
  expect(asked.filter((line) => line.includes("silent/pot")).length).toBeGreaterThan(1);
});

test("a bucket without its keys is refused, naming the settings", () => {
  expect(() => bucketStore({ ...settings(), S3_SECRET_ACCESS_KEY: undefined })).toThrow("S3_SECRET_ACCESS_KEY");
});
