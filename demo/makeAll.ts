import { availableParallelism } from "node:os";
import { startThread } from "../server/threads/startThread";
import { FILE_NAMES } from "./makeFile";

/** Makes all files of the demo world in a folder, as many at once as there are cores. */
export async function makeAll(folder: string, onMade: (name: string) => Promise<void>): Promise<void> {
  const waiting = [...FILE_NAMES];
  const runThread = (): Promise<void> =>
    new Promise((resolve, reject) => {
      const thread = startThread("demo/makeThread.ts", folder);
      const next = (): void => {
        const name = waiting.shift();
        if (name) thread.postMessage(name);
        else void thread.terminate().then(() => resolve());
      };
      thread.on("error", reject);
      thread.on("message", ({ name }: { name: string }) => {
        onMade(name).then(next, reject);
      });
      next();
    });
  await Promise.all(Array.from({ length: Math.max(2, availableParallelism()) }, runThread));
}
