import cluster, { type Worker } from "node:cluster";
import { availableParallelism } from "node:os";
import { config } from "../config";
import { log } from "../log";
import { programOf } from "../program";

/**
 * The web server: as many processes as there are cores share the port, so that a page that takes long on one of them holds
 * nobody up on the others. One that ends is started again.
 */
process.title = "stencilcraft-web";
const development = process.argv.includes("--dev");
const AGAIN_AFTER_MS = 300;
let stopping = false;

if (development || processes() === 1) await import("./webServer");
else {
  const { file, options } = programOf("server/cli/webServer.ts");
  cluster.setupPrimary({ exec: file, execArgv: [...options] });
  let listening = 0;
  cluster.on("listening", () => ++listening);
  cluster.on("exit", (_ended: Worker, code: number, signal: string) => {
    if (stopping) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    log.error({ how: signal || code }, "a process of the web server ended");
    // What never came up would not the next time either.
    if (listening === 0) process.exit(1);
    setTimeout(() => stopping || cluster.fork(), AGAIN_AFTER_MS);
  });
  for (const signal of ["SIGINT", "SIGTERM"] as const)
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill("SIGTERM");
    });
  for (let count = 0; count < processes(); count++) cluster.fork();
}

function processes(): number {
  return config().WEB_PROCESSES ?? Math.min(4, availableParallelism());
}
