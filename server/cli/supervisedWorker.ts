import { programOf } from "../program";
import { RENDERING_OPTIONS } from "../threads/renderingOptions";
import { buildProgramsIfChanged } from "./build";
import { supervise } from "./supervise";

/** bin/worker: one worker, started again when it ends, until it is told to stop. */
process.title = "stencilcraft-supervisor";
await buildProgramsIfChanged();
const { file } = programOf("server/cli/worker.ts", true);
const worker = supervise({ args: [...RENDERING_OPTIONS, file], env: process.env }, (how) => {
  process.stderr.write(`The worker process ended with ${how}. It is started again.\n`);
  return true;
});
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const)
  process.on(signal, () => void worker.stop().then(() => process.exit(0)));
