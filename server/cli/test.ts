import { randomInt } from "node:crypto";
import { chmod, mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { type ResultPromise, execa } from "execa";
import { connect } from "../db/connect";
import { until } from "../testing/until";
import { buildProgramsIfChanged } from "./build";
import { freePort, removeCluster, startCluster } from "./cluster";
import { endToEndStages } from "./endToEndStages";
import { waitingSuites } from "./suitesByTurns";
import { type Report, endedAs, readJestReport, readPlaywrightReport } from "./testReports";

/**
 * bin/test: every check, the slowest ten, and one closing line. `--only types,lint,unit,e2e` runs some of them, `--grep`
 * the end-to-end tests that are called so; `--full` tests all of the big samples, long unit tests and end-to-end tests of
 * which a part is tested else, and lints with both linters; `--seed` chooses the part.
 */
const { values } = parseArgs({
  options: {
    only: { type: "string", default: "types,lint,unit,e2e" },
    grep: { type: "string" },
    full: { type: "boolean", default: false },
    seed: { type: "string", default: String(randomInt(1, 1_000_000)) },
  },
});
const wanted = new Set(values.only.split(","));
const SLOWEST = 10;
const READ_IN_WITHIN_MS = 120_000;

const report: Report = { passed: 0, failed: 0, tests: [] };
function add({ passed, failed, tests }: Report): void {
  report.passed += passed;
  report.failed += failed;
  report.tests.push(...tests);
}

const running = new Set<ResultPromise>();
const folders: string[] = [];
/** A folder of the database's own, whose user is not root. */
async function dataFolder(name: string): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), `stencilcraft-${name}-`));
  await chmod(folder, 0o755);
  folders.push(folder);
  return folder;
}

for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    running.forEach((child) => child.kill("SIGTERM"));
    void cleanUp().then(() => process.exit(130));
  });

/** Runs a program with its output here. Gives whether it ended well. */
async function run(command: string, args: readonly string[], env: Record<string, string> = {}): Promise<boolean> {
  const child = execa(command, args, { stdin: "ignore", stdout: "inherit", stderr: "inherit", env, reject: false });
  running.add(child);
  const { exitCode } = await child;
  running.delete(child);
  return exitCode === 0;
}

/** A check that is one program: what it prints is shown when it has ended, so that checks beside it do not mix in. */
async function check(name: string, command: string, args: readonly string[]): Promise<void> {
  const started = Date.now();
  const child = execa(command, args, { stdin: "ignore", all: true, reject: false });
  running.add(child);
  const { exitCode, all } = await child;
  running.delete(child);
  const ms = Date.now() - started;
  process.stdout.write(`\n── ${name}: ${exitCode === 0 ? "passed" : "failed"} in ${Math.round(ms / 1000)} s\n`);
  if (exitCode !== 0) process.stdout.write(`${all}\n`);
  add({ passed: exitCode === 0 ? 1 : 0, failed: exitCode === 0 ? 0 : 1, tests: [{ name, ms }] });
}

const npx = (name: string, program: string, ...args: string[]): Promise<void> =>
  check(name, "npx", ["--no-install", program, ...args]);

async function types(): Promise<void> {
  await run("npx", ["--no-install", "react-router", "typegen"]);
  await check("types", process.execPath, ["node_modules/typescript-native/bin/tsc", "--noEmit"]);
}

async function lint(): Promise<void> {
  await check("lint rules", process.execPath, ["--import", "tsx", "server/cli/lintRules.ts"]);
  await npx("lint", "oxlint", ".");
  if (values.full) await npx("lint, as its rules were first written", "eslint", ".");
  await npx("layout", "oxfmt", "--check");
  if (values.full) await npx("layout, as it was first laid down", "prettier", "--check", "--log-level", "warn", ".");
  const rooms = ["core", "paint", "server", "app", "demo", "bench"];
  await npx("arrows between rooms", "depcruise", "--config", ".dependency-cruiser.cjs", ...rooms);
}

const sample = { TEST_SEED: values.seed, TEST_FULL: values.full ? "yes" : "no" };

async function unit(): Promise<void> {
  // A database of their own: the demo world is loaded into an empty one only.
  const folder = await dataFolder("unit");
  const { url } = await startCluster(folder);
  await buildProgramsIfChanged();
  const built = { BUILT_PROGRAMS: "yes" };
  const env = { ...sample, ...built, STENCILCRAFT_DATA: folder, DATABASE_URL: url, LOG_LEVEL: "warn" };
  await run(process.execPath, ["--import", "tsx", "server/cli/migrateOnce.ts"], env);
  process.stdout.write("\n── unit tests\n");
  const out = join(folder, "jest.json");
  const jest = ["--experimental-vm-modules", "--no-warnings", "node_modules/jest/bin/jest.js"];
  const waiting = values.full ? [] : waitingSuites(Number(values.seed));
  const left = ["/node_modules/", ...waiting].map((path) => `--testPathIgnorePatterns=${path}`);
  const endedWell = await run(process.execPath, [...jest, "--json", `--outputFile=${out}`, "--silent", ...left], env);
  add(endedAs(endedWell, await readJestReport(out)));
}

interface Instance {
  readonly child: ResultPromise;
  readonly env: Record<string, string>;
}

/** Builds, loads the demo world and starts: the instance under test. Null when it did not start. */
async function startInstance(): Promise<Instance | null> {
  const data = await dataFolder("test");
  const port = await freePort();
  const args = ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port)];
  const child = execa(process.execPath, args, {
    stdin: "ignore",
    stderr: "inherit",
    buffer: false,
    reject: false,
    // One process for pages: browsers, renders and the database share the two cores with it.
    env: { LOG_LEVEL: "warn", WEB_PROCESSES: "1" },
  });
  running.add(child);
  const ready = await new Promise<boolean>((resolve) => {
    child.stdout.setEncoding("utf8").on("data", (text: string) => {
      if (text.includes("ready at")) resolve(true);
    });
    child.once("exit", () => resolve(false));
  });
  if (!ready) return null;
  const kept = async (name: string): Promise<string> => (await readFile(join(data, name), "utf8")).trim();
  const database = `127.0.0.1:${await kept("database-port")}/stencilcraft`;
  return {
    child,
    env: {
      ...sample,
      BASE_URL: `http://127.0.0.1:${port}`,
      INSTANCE_PID: String(child.pid),
      STENCILCRAFT_DATA: data,
      DATABASE_URL: `postgres://stencilcraft:${await kept("database-password")}@${database}`,
    },
  };
}

/** Where the demo world was made for the first time, its clips are read in after the start. */
async function untilAllIsReadIn({ env }: Instance): Promise<void> {
  const db = connect(env["DATABASE_URL"]);
  const unread = (): Promise<unknown> =>
    db.selectFrom("media").select("id").where("state", "in", ["waiting", "working"]).executeTakeFirst();
  // Where a worker does not come to it, the tests say what is missing.
  await until(async () => !(await unread()), READ_IN_WITHIN_MS).catch(() => undefined);
  await db.destroy();
}

async function endToEnd(instance: Instance | null): Promise<void> {
  process.stdout.write("\n── end-to-end tests\n");
  if (!instance) {
    process.stdout.write("The instance under test did not start.\n");
    add({ passed: 0, failed: 1, tests: [] });
    return;
  }
  await untilAllIsReadIn(instance);
  const stages = await endToEndStages({ ...values, seed: Number(values.seed) });
  for (const [at, args] of stages.entries()) {
    const out = join(instance.env["STENCILCRAFT_DATA"] ?? "", `playwright-${at}.json`);
    const env = { ...instance.env, PLAYWRIGHT_JSON_OUTPUT_NAME: out };
    const endedWell = await run("npx", ["--no-install", "playwright", "test", ...args], env);
    add(endedAs(endedWell, await readPlaywrightReport(out)));
  }
}

async function readTheCode(): Promise<void> {
  if (wanted.has("types")) await types();
  if (wanted.has("lint")) await lint();
}

/**
 * Gives the instance for the end-to-end tests. It starts first: building leaves a core half idle, which what reads the code
 * makes use of; the unit tests use both.
 */
async function runTheCode(): Promise<Instance | null> {
  const instance = wanted.has("e2e") ? await startInstance() : null;
  if (wanted.has("unit")) await unit();
  return instance;
}

async function cleanUp(): Promise<void> {
  const ending = [...running];
  ending.forEach((child) => child.kill("SIGTERM"));
  await Promise.all(ending);
  for (const folder of folders) {
    await removeCluster(folder);
    await rm(folder, { recursive: true, force: true });
  }
}

const started = Date.now();
process.stdout.write(`Samples are drawn with --seed ${values.seed}${values.full ? ", all of them" : ""}.\n`);
try {
  // Two lanes for two cores: what reads the code keeps one busy; the start of the instance and the unit tests the other.
  const [instance] = await Promise.all([runTheCode(), readTheCode()]);
  if (wanted.has("e2e")) await endToEnd(instance);
} finally {
  await cleanUp();
}
const slowest = report.tests.sort((a, b) => b.ms - a.ms).slice(0, SLOWEST);
process.stdout.write(`\nThe slowest ${slowest.length}:\n`);
for (const { name, ms } of slowest) process.stdout.write(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${name}\n`);
process.stdout.write(`\nAll in ${Math.round((Date.now() - started) / 1000)} s.\n`);
process.stdout.write(`\n${report.passed} passed, ${report.failed} failed\n`);
process.exit(report.failed === 0 && report.passed > 0 ? 0 : 1);
