import { createReadStream, createWriteStream } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import {
  DeleteObjectCommand,
  GetObjectCommand,
  HeadObjectCommand,
  NoSuchKey,
  NotFound,
  S3Client,
  paginateListObjectsV2,
} from "@aws-sdk/client-s3";
import { Upload } from "@aws-sdk/lib-storage";
import { type Config } from "../config";
import { folderCache } from "./folderCache";
import { type Store } from "./storeType";

/** A bucket may be slow; one that says nothing for so long is asked anew, and then is an error. */
const SILENT_MS = 60_000;
const CONNECT_MS = 10_000;

/**
 * A store in an S3-compatible bucket. Programs that need a file get a copy from a local cache, by key.
 * @param silentMs how long the bucket may say nothing
 */
export function bucketStore(config: Config, silentMs = SILENT_MS): Store {
  const { S3_BUCKET: Bucket, S3_REGION, S3_ENDPOINT, S3_ACCESS_KEY_ID, S3_SECRET_ACCESS_KEY } = config;
  if (!Bucket || !S3_ACCESS_KEY_ID || !S3_SECRET_ACCESS_KEY)
    throw new Error("A bucket needs S3_BUCKET, S3_ACCESS_KEY_ID and S3_SECRET_ACCESS_KEY.");
  const client = new S3Client({
    region: S3_REGION,
    credentials: { accessKeyId: S3_ACCESS_KEY_ID, secretAccessKey: S3_SECRET_ACCESS_KEY },
    // Stores of one's own answer under one name, with the bucket in the path.
    ...(S3_ENDPOINT ? { endpoint: S3_ENDPOINT, forcePathStyle: true } : {}),
    requestChecksumCalculation: "WHEN_REQUIRED",
    responseChecksumValidation: "WHEN_REQUIRED",
    requestHandler: { connectionTimeout: CONNECT_MS, socketTimeout: silentMs },
  });
  const cached = folderCache(join(config.data, "cache"), config.CACHE_BYTES);
  const has = async (key: string): Promise<boolean> => {
    try {
      await client.send(new HeadObjectCommand({ Bucket, Key: key }));
      return true;
    } catch (error) {
      if (error instanceof NotFound) return false;
      throw error;
    }
  };
  const fetchTo = async (key: string, path: string): Promise<void> => {
    try {
      const { Body } = await client.send(new GetObjectCommand({ Bucket, Key: key }));
      if (!(Body instanceof Readable)) throw new Error(`The bucket gave no contents for “${key}”.`);
      await pipeline(Body, createWriteStream(path));
    } catch (error) {
      if (error instanceof NoSuchKey) throw new Error(`The bucket has no file “${key}”.`);
      throw error;
    }
  };
  return {
    has,
    async keep(key, localFile) {
      if (await has(key)) return;
      // Sent in parts where it is large; an object is there whole or not at all.
      await new Upload({ client, params: { Bucket, Key: key, Body: createReadStream(localFile) } }).done();
    },
    local: (key) => cached(key, (path) => fetchTo(key, path)),
    async list(folder) {
      const names: string[] = [];
      const pages = paginateListObjectsV2({ client }, { Bucket, Prefix: `${folder}/`, Delimiter: "/" });
      for await (const { Contents = [] } of pages)
        names.push(...Contents.flatMap(({ Key }) => (Key ? [Key.slice(folder.length + 1)] : [])));
      return names.sort();
    },
    async remove(key) {
      await client.send(new DeleteObjectCommand({ Bucket, Key: key }));
    },
    async *under(folder) {
      for await (const { Contents = [] } of paginateListObjectsV2({ client }, { Bucket, Prefix: `${folder}/` }))
        for (const { Key, Size = 0, LastModified = new Date() } of Contents)
          if (Key) yield { key: Key, bytes: Size, keptAt: LastModified };
    },
  };
}
