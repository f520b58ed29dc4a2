import { startWorker } from "../jobs/worker";
import { log } from "../log";
import { ENDED_BEFORE, brokeBefore } from "./supervise";

process.title = "stencilcraft-worker";
const STOP_WITHIN_MS = 9000;
let stopping = false;
const starting = startWorker(brokeBefore(process.env[ENDED_BEFORE]));
for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    log.info("worker stopping: running jobs go back to the queue");
    // Whatever hangs: its jobs are freed by the heartbeat of another.
    setTimeout(() => process.exit(1), STOP_WITHIN_MS);
    void starting
      .then((worker) => worker.stop())
      .then(
        () => process.exit(0),
        () => process.exit(1),
      );
  });
const worker = await starting;
log.info("worker started");
// A queue that can't be read any more is begun anew, by whoever supervises us.
void worker.ended.catch((error: unknown) => {
  if (stopping) return;
  log.error({ error: String(error) }, "the queue ended");
  process.exit(1);
});
