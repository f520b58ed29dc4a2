// A thread starts as plain JavaScript; this makes it understand TypeScript, unless it is given what was built of it, then
// gives the pool the thread's own function.
import { workerData } from "piscina";

if (workerData.entry.endsWith(".ts")) {
  const { register } = await import("tsx/esm/api");
  register();
}
const { default: run } = await import(workerData.entry);
export default run;
