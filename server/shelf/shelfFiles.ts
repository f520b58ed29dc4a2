import { createHash, randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { Readable } from "node:stream";
import { type Worker } from "node:worker_threads";
import { config } from "../config";
import { type TeamScope } from "../db/teamScope";
import { type ReceivedMedia, receiveMedia } from "../media/receive";
import { shelfKey } from "../storage/keys";
import { store } from "../storage/store";
import { startThread } from "../threads/startThread";
import { type ShelfSize, shelfFileType } from "./makeShelfFile";
import { type ShelfRecipe } from "./shelfItems";
import { type ShelfTask } from "./shelfThread";

/** Bumped when what the recipes draw changes, so that no old preview is shown. */
const SHELF_VERSION = 1;

let thread: Worker | null = null;
let next = 1;
const waiting = new Map<number, { resolve: () => void; reject: (error: Error) => void }>();

function openThread(): Worker {
  const opened = startThread("server/shelf/shelfThread.ts");
  opened.unref();
  opened.on("message", ({ id, problem }: { id: number; problem: string | null }) => {
    const task = waiting.get(id);
    waiting.delete(id);
    if (problem === null) task?.resolve();
    else task?.reject(new Error(problem));
  });
  opened.on("error", (error) => {
    thread = null;
    waiting.forEach(({ reject }) => reject(error));
    waiting.clear();
  });
  return opened;
}

function make(recipe: ShelfRecipe, size: ShelfSize, path: string): Promise<void> {
  thread ??= openThread();
  const task: ShelfTask = { id: next++, recipe, size, path };
  const done = new Promise<void>((resolve, reject) => waiting.set(task.id, { resolve, reject }));
  thread.postMessage(task);
  return done;
}

const making = new Map<string, Promise<void>>();

/** A local file with a recipe's preview, made the first time it is asked for. */
export async function shelfPreview(recipe: ShelfRecipe): Promise<{ path: string; type: string; etag: string }> {
  const { ending, type } = shelfFileType(recipe);
  const hash = createHash("sha256")
    .update(`${SHELF_VERSION}${JSON.stringify(recipe)}`)
    .digest("hex");
  const key = shelfKey(hash, ending);
  if (!(await store().has(key))) {
    const running =
      making.get(key) ??
      withFile(ending, async (path) => {
        await make(recipe, "preview", path);
        await store().keep(key, path);
      });
    making.set(key, running);
    await running.finally(() => making.delete(key));
  }
  return { path: await store().local(key), type, etag: hash.slice(0, 16) };
}

/** What every kept item's rights note says. */
const FREE = { licence: "free to use, made by Stencilcraft", holder: "" };

/** Makes a recipe's file at full size and brings it into a team's media, with its rights noted. */
export async function keepFromShelf(
  scope: TeamScope,
  recipe: ShelfRecipe,
  name: string,
  source: string,
  tags: readonly string[],
): Promise<ReceivedMedia> {
  const { ending } = shelfFileType(recipe);
  return withFile(ending, async (path) => {
    await make(recipe, "full", path);
    const received = await receiveMedia(
      scope,
      `${name}.${ending}`,
      Readable.toWeb(createReadStream(path)) as ReadableStream,
    );
    if (!received.known)
      await scope
        .changeMedia()
        .set({ ...FREE, source, tags: [...tags] })
        .where("id", "=", received.id)
        .execute();
    return received;
  });
}

async function withFile<Result>(ending: string, work: (path: string) => Promise<Result>): Promise<Result> {
  const folder = join(config().data, "incoming");
  await mkdir(folder, { recursive: true });
  const path = join(folder, `${randomUUID()}.${ending}`);
  try {
    return await work(path);
  } finally {
    await rm(path, { force: true });
  }
}
