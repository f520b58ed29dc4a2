import { log } from "../log";
import { startWorker } from "../jobs/worker";

process.title = "stencilcraft-worker";
const worker = await startWorker();
log.info("worker started");

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    log.info("worker stopping: running jobs go back to the queue");
    worker.stop().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  });
