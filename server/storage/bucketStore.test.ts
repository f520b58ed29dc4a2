import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { readConfig } from "../config";
import { bucketStore } from "./bucketStore";

/** A bucket in memory that answers as an S3-compatible store does, and notes what it was asked. */
function fakeBucket() {
  const objects = new Map<string, { body: Uint8Array; headers: Record<string, string> }>();
  const asked: string[] = [];
  const fetcher: typeof fetch = async (input, init) => {
    const request = new Request(input, { ...init, ...(init?.body ? { duplex: "half" } : {}) } as RequestInit);
    const path = decodeURIComponent(new URL(request.url).pathname);
    asked.push(`${request.method} ${path}`);
    expect(request.headers.get("authorization")).toContain("AWS4-HMAC-SHA256");
    if (request.method === "PUT") {
      const headers = Object.fromEntries(
        [...request.headers].filter(([name]) => name.startsWith("x-amz-meta") || name === "content-type"),
      );
      objects.set(path, { body: new Uint8Array(await request.arrayBuffer()), headers });
      return new Response(null, { status: 200 });
    }
    if (request.method === "DELETE") {
      objects.delete(path);
      return new Response(null, { status: 204 });
    }
    const found = objects.get(path);
    if (!found) return new Response(null, { status: 404 });
    const headers = {
      ...found.headers,
      "content-length": String(found.body.length),
      "last-modified": new Date(0).toUTCString(),
    };
    return new Response(request.method === "HEAD" ? null : new Uint8Array(found.body), { headers });
  };
  return { fetcher, asked, objects };
}

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterEach(() => rm(folder, { recursive: true }));

const settings = (change: Record<string, string> = {}) =>
  readConfig({
    DATABASE_URL: "postgres://none",
    STENCILCRAFT_DATA: folder,
    S3_BUCKET: "media",
    S3_ENDPOINT: "http://127.0.0.1:9",
    S3_ACCESS_KEY_ID: "id",
    S3_SECRET_ACCESS_KEY: "secret",
    ...change,
  });

async function kept(text: string, key: string, bucket: ReturnType<typeof fakeBucket>) {
  const store = bucketStore(settings(), bucket.fetcher);
  const path = join(folder, "file");
  await writeFile(path, text);
  await store.keep(key, path);
  return store;
}

test("a file goes into the bucket, signed, and comes back as a local copy", async () => {
  const bucket = fakeBucket();
  const store = await kept("a pot", "media/ab/original", bucket);
  expect(await store.has("media/ab/original")).toBe(true);
  expect(await readFile(await store.local("media/ab/original"), "utf8")).toBe("a pot");
});

test("a local copy is fetched once, even when two ask at the same time", async () => {
  const bucket = fakeBucket();
  const store = await kept("a pot", "k", bucket);
  await Promise.all([store.local("k"), store.local("k")]);
  await store.local("k");
  expect(bucket.asked.filter((line) => line.startsWith("GET")).length).toBe(1);
});

test("what a key names is sent once and never changes", async () => {
  const bucket = fakeBucket();
  await kept("one", "k", bucket);
  await kept("two", "k", bucket);
  expect(bucket.asked.filter((line) => line.startsWith("PUT")).length).toBe(1);
});

test("a missing file is named, a removed one is gone", async () => {
  const bucket = fakeBucket();
  const store = await kept("x", "k", bucket);
  await store.remove("k");
  expect(await store.has("k")).toBe(false);
  await expect(store.local("none")).rejects.toThrow("“none”");
});

test("a bucket without its keys is refused, naming the settings", () => {
  expect(() => bucketStore({ ...settings(), S3_SECRET_ACCESS_KEY: undefined })).toThrow("S3_SECRET_ACCESS_KEY");
});
