import { parentPort } from "node:worker_threads";
import { makeShelfFile, type ShelfSize } from "./makeShelfFile";
import { type ShelfRecipe } from "./shelfItems";

export interface ShelfTask {
  readonly id: number;
  readonly recipe: ShelfRecipe;
  readonly size: ShelfSize;
  readonly path: string;
}

/** A thread that makes files of the shelf, one after another, so that the web server goes on answering. */
let last: Promise<unknown> = Promise.resolve();
parentPort?.on("message", ({ id, recipe, size, path }: ShelfTask) => {
  last = last
    .then(() => makeShelfFile(recipe, size, path))
    .then(
      () => parentPort?.postMessage({ id, problem: null }),
      (error: unknown) =>
        parentPort?.postMessage({ id, problem: error instanceof Error ? error.message : String(error) }),
    );
});
