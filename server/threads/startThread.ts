import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { Worker } from "node:worker_threads";

/** Commands run from the project's root; the built web server's own place is elsewhere. */
const fromRoot = (path: string): URL => pathToFileURL(resolve(path));

/** Starts a thread that runs a TypeScript file, named from the project's root. The file finds `data` as `workerData.data`. */
export function startThread(entry: string, data: unknown = null): Worker {
  return new Worker(fromRoot("server/threads/bootstrap.mjs"), { workerData: { entry: fromRoot(entry).href, data } });
}
