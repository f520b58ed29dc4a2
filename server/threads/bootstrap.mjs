// A thread starts as plain JavaScript; this makes it understand TypeScript, then runs the thread's own file.
import { workerData } from "node:worker_threads";
import { register } from "tsx/esm/api";

register();
await import(workerData.entry);
