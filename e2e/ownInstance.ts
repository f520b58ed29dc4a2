import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { chmod, mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type TestInfo } from "@playwright/test";
import { freePort, removeCluster } from "../server/cli/cluster";

/** A Stencilcraft of a test's own, started empty beside the one under test. */
export interface OwnInstance {
  readonly data: string;
  readonly address: string;
  start(): Promise<void>;
  stop(signal: "SIGINT" | "SIGTERM"): Promise<void>;
  /** Prints what the instance said, if the test failed. */
  explain(test: TestInfo): void;
  /** Stops it, if it runs, and removes all it kept. */
  remove(): Promise<void>;
}

export async function ownInstance(): Promise<OwnInstance> {
  const data = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await chmod(data, 0o755);
  const port = await freePort();
  let running: ChildProcess | null = null;
  let said = "";
  const stop = async (signal: "SIGINT" | "SIGTERM"): Promise<void> => {
    if (!running || running.exitCode !== null) return;
    const ended = once(running, "exit");
    running.kill(signal);
    await ended;
    running = null;
  };
  return {
    data,
    address: `http://127.0.0.1:${port}`,
    async start() {
      const child = spawn(
        process.execPath,
        ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port), "--no-demo"],
        { stdio: ["ignore", "pipe", "pipe"], env: { ...process.env, DATABASE_URL: "", PORT: "" } },
      );
      running = child;
      child.stderr.setEncoding("utf8").on("data", (text: string) => (said += text));
      await new Promise<void>((resolve, reject) => {
        child.stdout.setEncoding("utf8").on("data", (text: string) => text.includes("ready at") && resolve());
        child.on("exit", () => reject(new Error("It ended before it was ready.")));
      });
    },
    stop,
    explain(test) {
      if (test.status !== test.expectedStatus) process.stdout.write(said);
    },
    async remove() {
      await stop("SIGTERM");
      await removeCluster(data);
      await rm(data, { recursive: true, force: true });
    },
  };
}
