import { createWriteStream, openAsBlob } from "node:fs";
import { createHash, randomUUID } from "node:crypto";
import { access, mkdir, rename } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { type ReadableStream as WebStream } from "node:stream/web";
import { createS3FileStorage } from "@remix-run/file-storage-s3";
import { type Config } from "../config";
import { type Store } from "./store";

/** A store in an S3-compatible bucket. Programs that need a file get a copy from a local cache, by key. */
export function bucketStore(config: Config, fetcher?: typeof fetch): Store {
  const { S3_BUCKET, S3_REGION, S3_ENDPOINT, S3_ACCESS_KEY_ID, S3_SECRET_ACCESS_KEY } = config;
  if (!S3_BUCKET || !S3_ACCESS_KEY_ID || !S3_SECRET_ACCESS_KEY)
    throw new Error("A bucket needs S3_BUCKET, S3_ACCESS_KEY_ID and S3_SECRET_ACCESS_KEY.");
  const bucket = createS3FileStorage({
    bucket: S3_BUCKET,
    region: S3_REGION,
    accessKeyId: S3_ACCESS_KEY_ID,
    secretAccessKey: S3_SECRET_ACCESS_KEY,
    ...(S3_ENDPOINT ? { endpoint: S3_ENDPOINT } : {}),
    ...(fetcher ? { fetch: fetcher } : {}),
  });
  const cached = folderCache(join(config.data, "cache"));
  const has = async (key: string): Promise<boolean> => bucket.has(key);
  return {
    has,
    async keep(key, localFile) {
      if (await has(key)) return;
      await bucket.set(key, new File([await openAsBlob(localFile)], key));
    },
    local: (key) =>
      cached(key, async (path) => {
        const file = await bucket.get(key);
        if (!file) throw new Error(`The bucket has no file “${key}”.`);
        await pipeline(Readable.fromWeb(file.stream() as WebStream), createWriteStream(path));
      }),
    remove: async (key) => bucket.remove(key),
  };
}

/** Files fetched once, by key. Keys name contents that never change, so a copy never grows stale. */
function folderCache(folder: string): (key: string, fetchTo: (path: string) => Promise<void>) => Promise<string> {
  const under = new Map<string, Promise<string>>();
  const fetchOnce = async (key: string, fetchTo: (path: string) => Promise<void>): Promise<string> => {
    const path = join(folder, createHash("sha256").update(key).digest("hex"));
    if (
      await access(path).then(
        () => true,
        () => false,
      )
    )
      return path;
    const aside = `${path}.${randomUUID()}.part`;
    await mkdir(dirname(path), { recursive: true });
    await fetchTo(aside);
    await rename(aside, path);
    return path;
  };
  return (key, fetchTo) => {
    const running = under.get(key) ?? fetchOnce(key, fetchTo).finally(() => under.delete(key));
    under.set(key, running);
    return running;
  };
}
