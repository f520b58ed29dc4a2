import { Worker } from "node:worker_threads";

/** Starts a thread that runs a TypeScript file. The file finds `data` as `workerData.data`. */
export function startThread(entry: URL, data: unknown = null): Worker {
  return new Worker(new URL("./bootstrap.mjs", import.meta.url), { workerData: { entry: entry.href, data } });
}
