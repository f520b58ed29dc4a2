import { spawn } from "node:child_process";
import { once } from "node:events";
import { freePort } from "../server/cli/cluster";

/** A Stencilcraft of a measurement's own, on a data folder, without a worker. */
export interface OwnServer {
  readonly address: string;
  /** The process of the start command. */
  readonly pid: number;
  stop(): Promise<void>;
}

/** Starts it, and waits until it answers. @param logLevel how much it says */
export async function startOwnServer(data: string, logLevel = "warn"): Promise<OwnServer> {
  const port = await freePort();
  const server = spawn(
    process.execPath,
    ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port), "--no-worker"],
    { stdio: ["ignore", "pipe", "inherit"], env: { ...process.env, LOG_LEVEL: logLevel } },
  );
  for await (const text of server.stdout.setEncoding("utf8")) if (String(text).includes("ready at")) break;
  return {
    address: `http://127.0.0.1:${port}`,
    pid: server.pid ?? 0,
    async stop() {
      server.kill("SIGTERM");
      await once(server, "exit");
    },
  };
}
