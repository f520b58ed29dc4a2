import { createHash, randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { type ReadableStream as WebStream } from "node:stream/web";
import { config } from "../config";
import { type TeamScope } from "../db/teamScope";
import { enqueue } from "../jobs/enqueue";
import { originalKey } from "../storage/keys";
import { store } from "../storage/store";
import { displayName } from "./fileName";
import { sniffType } from "./sniff";
import { UploadProblem } from "./uploadProblem";

export interface ReceivedMedia {
  readonly id: string;
  readonly name: string;
}

/**
 * Takes an upload in: streams it to disk while counting and hashing, tells its type from its bytes, stores it and queues
 * its ingest. Throws an UploadProblem, naming file and limit; nothing is left behind then.
 */
export async function receiveMedia(scope: TeamScope, rawName: string, body: ReadableStream | null): Promise<ReceivedMedia> {
  const name = displayName(rawName);
  if (!body) throw new UploadProblem(`“${name}” is empty (0 bytes). Export or copy it again, then bring it once more.`);
  const folder = join(config().data, "incoming");
  await mkdir(folder, { recursive: true });
  const path = join(folder, randomUUID());
  try {
    const { sha256, bytes } = await spool(body as WebStream, path, name);
    const type = await sniffType(path, name);
    const { LIMIT_PICTURE_BYTES } = config();
    if (type.kind === "picture" && bytes > LIMIT_PICTURE_BYTES) throw new UploadProblem(tooLarge(name, "pictures", LIMIT_PICTURE_BYTES));
    await store().keep(originalKey(sha256), path);
    const { id } = await scope.addMedia({ name, kind: type.kind, state: "waiting", sha256, mime: type.mime, bytes, facts: null, problem: null }).returning("id").executeTakeFirstOrThrow();
    await enqueue(scope.connection, "ingest-media", { media: id });
    return { id, name };
  } finally {
    await rm(path, { force: true });
  }
}

async function spool(body: WebStream, path: string, name: string): Promise<{ sha256: string; bytes: number }> {
  const hash = createHash("sha256");
  const most = config().LIMIT_CLIP_BYTES;
  let bytes = 0;
  const count = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      hash.update(chunk);
      done(bytes > most ? new UploadProblem(tooLarge(name, "clips", most)) : null, chunk);
    },
  });
  await pipeline(Readable.fromWeb(body), count, createWriteStream(path));
  return { sha256: hash.digest("hex"), bytes };
}

const tooLarge = (name: string, what: string, limit: number): string => `“${name}” is larger than the limit for ${what}: ${Math.round(limit / 1e6)} MB.`;
