import { parentPort, workerData } from "node:worker_threads";
import { makeFile } from "./makeFile";

/** A thread that makes the files it is told, one after another. */
const folder = String(workerData.data);
parentPort?.on("message", (name: string) => {
  makeFile(name, folder).then(
    () => parentPort?.postMessage({ name }),
    (error: unknown) => {
      throw error;
    },
  );
});
