import { createHash } from "node:crypto";
import { join } from "node:path";
import { type TeamScope } from "../db/teamScope";
import { type ReceivedMedia, receiveMedia } from "../media/receive";
import { shelfKey } from "../storage/keys";
import { inWorkFolder } from "../workFolder";
import { store } from "../storage/store";
import { openThreads } from "../threads/openThreads";
import { shelfFileType } from "./makeShelfFile";
import { type ShelfRecipe } from "./shelfItems";
import { type ShelfTask } from "./shelfThread";

/** Bumped when what the recipes draw changes, so that no old preview is shown. */
const SHELF_VERSION = 2;

/** One thread, started when the first file is asked for and kept a while: who looks at one thing looks at the next. */
const threads = openThreads<ShelfTask, undefined>("server/shelf/shelfThread.ts", {
  minThreads: 0,
  maxThreads: 1,
  idleTimeout: 60_000,
});

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
        await threads.run({ recipe, size: "preview", path });
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
    await threads.run({ recipe, size: "full", path });
    const received = await receiveMedia(scope, `${name}.${ending}`, path);
    if (!received.known)
      await scope
        .update("media")
        .set({ ...FREE, source, tags: [...tags] })
        .where("id", "=", received.id)
        .execute();
    return received;
  });
}

const withFile = <Result>(ending: string, work: (path: string) => Promise<Result>): Promise<Result> =>
  inWorkFolder("shelf", (folder) => work(join(folder, `made.${ending}`)));
