import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";
import { execa } from "execa";
import { BUILT_PAGES, BUILT_PROGRAMS } from "../program";
import { compressAssets } from "./compressAssets";

/** What runs in processes and threads of their own, again and again: see docs/decisions/programs-are-bundled.md. */
const PROGRAMS = [
  "server/cli/loadDemo.ts",
  "server/cli/web.ts",
  "server/cli/webServer.ts",
  "server/cli/worker.ts",
  "server/foreign/child.ts",
  "server/render/paintThread.ts",
  "server/render/soundThread.ts",
  "server/render/stillThread.ts",
  "server/shelf/shelfThread.ts",
  "demo/makeThread.ts",
  "demo/channels/main.ts",
];

/** What is native, brings files of its own, must be there once for pages and server, or serves development alone. */
const STAY_OUTSIDE = [
  ...["sharp", "@napi-rs/canvas", "@resvg/resvg-js", "@node-rs/argon2", "pg", "harfbuzzjs", "wawoff2", "fontkit"],
  ...["piscina", "graphile-worker", "pino", "@fontsource/*", "@twemoji/svg", "twemoji-colr-font"],
  ...["react", "react-dom", "react-router", "@react-router/*", "vite", "tsx"],
];

const PROGRAM_SOURCES = ["core", "paint", "server", "demo"];
const PAGE_SOURCES = ["app", "vite.config.ts", "reactCompiler.ts", "react-router.config.ts"];

/** Builds the pages, when a source file has changed since they were built. It takes most of a minute, in a process of its own. */
export const buildPagesIfChanged = (): Promise<void> =>
  ifChanged(BUILT_PAGES, [...PROGRAM_SOURCES, ...PAGE_SOURCES], async () => {
    process.stderr.write("Building …\n");
    await execa(process.execPath, ["node_modules/@react-router/dev/bin.js", "build"], {
      stdin: "ignore",
      stdout: "ignore",
      stderr: "inherit",
      env: { NODE_ENV: "production" },
    });
    await compressAssets(join(BUILT_PAGES, "client", "assets"));
  });

/** Builds the programs, when a source file has changed since: all that a machine with workers runs. */
export const buildProgramsIfChanged = (): Promise<void> =>
  ifChanged(BUILT_PROGRAMS, PROGRAM_SOURCES, async () => {
    rmSync(BUILT_PROGRAMS, { recursive: true, force: true });
    await build({
      entryPoints: PROGRAMS,
      outdir: BUILT_PROGRAMS,
      outbase: ".",
      bundle: true,
      splitting: true,
      format: "esm",
      platform: "node",
      target: "node20",
      external: STAY_OUTSIDE,
      // Some packages are of the older kind, and ask for Node's own parts as such.
      banner: {
        js: 'import { createRequire as requireFrom } from "node:module"; const require = requireFrom(import.meta.url);',
      },
      logLevel: "warning",
    });
  });

/** Does work whose outcome stays in a folder, unless it was done for the very same files, told by a hash over them. */
async function ifChanged(folder: string, sources: readonly string[], work: () => Promise<void>): Promise<void> {
  const files = execFileSync("find", [...sources, "package-lock.json", "-type", "f"])
    .toString()
    .trim()
    .split("\n")
    .sort();
  const hash = createHash("sha256");
  for (const file of files) hash.update(file).update(readFileSync(file));
  const stamp = hash.digest("hex");
  const stampFile = join(folder, "stamp");
  if (existsSync(stampFile) && readFileSync(stampFile, "utf8") === stamp) return;
  // What is cut short is not taken for built.
  rmSync(stampFile, { force: true });
  await work();
  writeFileSync(stampFile, stamp);
}
