// A thread starts as plain JavaScript; this makes it understand TypeScript, then gives the pool the thread's own function.
import { workerData } from "piscina";
import { register } from "tsx/esm/api";

register();
const { default: run } = await import(workerData.entry);
export default run;
