import { randomBytes } from "node:crypto";
import { mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { createServer } from "node:net";
import { freePort, startCluster } from "./cluster";
import { execa, type ResultPromise } from "execa";
import { programOf } from "../program";
import { RENDERING_OPTIONS } from "../threads/renderingOptions";
import { buildPagesIfChanged, buildProgramsIfChanged } from "./build";
import { type Supervised, supervise } from "./supervise";

const USUAL_PORT = 4173;
const USAGE = `bin/start [--port N] [--data DIR] [--no-demo] [--no-worker] [--dev]

Starts Stencilcraft: a private database, the web server and one worker. Ctrl-C stops all of it.
  --port N      where to listen (4173, or a free one if that is taken)
  --data DIR    where everything is kept (.data)
  --no-demo     do not load the demo world into an empty database
  --no-worker   only the web server; start workers with bin/worker
  --dev         development server that follows changes`;

const { values } = parseArgs({
  options: {
    port: { type: "string" },
    data: { type: "string", default: ".data" },
    "no-demo": { type: "boolean" },
    "no-worker": { type: "boolean" },
    dev: { type: "boolean" },
    help: { type: "boolean" },
  },
});
if (values.help) {
  process.stdout.write(`${USAGE}\n`);
  process.exit(0);
}

process.title = "stencilcraft";
const data = resolve(values.data);
mkdirSync(data, { recursive: true });
const supervised: Supervised[] = [];
let loading: ResultPromise | null = null;
let stopping = false;
let wasReady = false;
const isStopping = (): boolean => stopping;

const port = await choosePort(values.port ?? process.env["PORT"]).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(2);
});
if (!values.dev) await buildProgramsIfChanged();
// Beside what else there is to do before pages are shown; where it fails, that is said then.
const pages = values.dev ? Promise.resolve() : buildPagesIfChanged();
pages.catch(() => undefined);
const cluster = await startCluster(data);
// Whoever has channels of their own names them.
const channelsPort = values["no-demo"] || process.env["CHANNELS_URL"] ? null : await freePort();
const channelsToken = randomBytes(24).toString("base64url");
const environment = {
  ...process.env,
  ...(channelsPort === null ? {} : { CHANNELS_URL: `http://127.0.0.1:${channelsPort}`, CHANNELS_TOKEN: channelsToken }),
  DATABASE_URL: cluster.url,
  STENCILCRAFT_DATA: data,
  PORT: String(port),
  NODE_ENV: values.dev ? "development" : "production",
};
Object.assign(process.env, environment);

for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.on(signal, () => void stop(0));

try {
  const { database, closeDatabase } = await import("../db/connect");
  const { migrate } = await import("../db/migrate");
  await migrate(database());
  await closeDatabase();
  if (!values["no-demo"]) {
    const leaves = values["no-worker"] ? [] : ["--leave-clips"];
    const demo = execa(process.execPath, [...program("server/cli/loadDemo.ts"), ...leaves], {
      env: environment,
      stdin: "ignore",
      stdout: "inherit",
      stderr: "inherit",
      ipc: true,
    });
    loading = demo;
    // It says when the demo world can be looked at, and goes on until the worker has read in its clips.
    await Promise.race([demo, demo.getOneMessage()]);
  }
  await pages;
  if (!isStopping()) {
    startProcess("web", [...program("server/cli/web.ts"), ...(values.dev ? ["--dev"] : [])]);
    await reachable(`http://127.0.0.1:${port}/healthz`);
  }
  // After it, not beside it: people wait for pages, and for nothing else.
  if (!isStopping()) {
    if (channelsPort !== null)
      startProcess("channels", program("demo/channels/main.ts"), {
        CHANNELS_FOLDER: join(data, "channels"),
        CHANNELS_PORT: String(channelsPort),
      });
    if (!values["no-worker"]) startProcess("worker", [...RENDERING_OPTIONS, ...program("server/cli/worker.ts")]);
    wasReady = true;
    process.stdout.write(`Stencilcraft is ready at http://127.0.0.1:${port}\n`);
  }
} catch (error) {
  // What was cut short by us is no mistake.
  if (!isStopping()) {
    process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
    await stop(1);
  }
}

/** What Node is told to run a program of ours: what was built of it, unless changes are followed. */
function program(source: string): string[] {
  const { file, options } = programOf(source, values.dev !== true);
  return [...options, file];
}

function startProcess(name: string, args: readonly string[], more: NodeJS.ProcessEnv = {}): void {
  const onEnd = (how: string): boolean => {
    // A web server that was never up would not be the next time either.
    const again = name !== "web" || wasReady;
    process.stderr.write(`The ${name} process ended with ${how}.${again ? " It is started again." : ""}\n`);
    if (!again) void stop(1);
    return again;
  };
  supervised.push(supervise({ args, env: { ...environment, ...more } }, onEnd));
}

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  loading?.kill("SIGTERM");
  await Promise.all([loading?.catch(() => undefined), ...supervised.map((one) => one.stop())]);
  await cluster.stop();
  process.exit(code);
}

/** The wanted port, which must be free; without one the usual port, or any free one where that is taken. */
async function choosePort(wanted: string | undefined): Promise<number> {
  const port = Number(wanted ?? USUAL_PORT);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`--port ${wanted} is not a port: choose a number from 1 to 65535.`);
  if (await isFree(port)) return port;
  if (wanted) throw new Error(`Port ${port} is taken by another program. Choose another with --port.`);
  return freePort();
}

function isFree(port: number): Promise<boolean> {
  return new Promise((done) => {
    const probe = createServer()
      .on("error", () => done(false))
      .listen(port, "127.0.0.1", () => probe.close(() => done(true)));
  });
}

async function reachable(url: string): Promise<void> {
  for (let tries = 0; tries < 300 && !stopping; tries++) {
    if (
      await fetch(url).then(
        (response) => response.ok,
        () => false,
      )
    )
      return;
    await new Promise((done) => setTimeout(done, 100));
  }
  if (!stopping) throw new Error("The web server did not come up in 30 s.");
}
