import { createHash, randomUUID } from "node:crypto";
import { copyFile, mkdtemp, readFile, readdir, rm } from "node:fs/promises";
import { availableParallelism, homedir, tmpdir } from "node:os";
import { join } from "node:path";
import { INGEST_VERSION } from "../server/media/measured";
import { folderStore } from "../server/storage/folderStore";
import { folderOf, measuredKey } from "../server/storage/keys";
import { store } from "../server/storage/store";
import { sha256Of } from "../server/storage/sha256";
import { type Store } from "../server/storage/storeType";
import { openThreads } from "../server/threads/openThreads";
import { FILE_NAMES } from "./makeFile";

/** Everything that decides what a file of the demo world looks or sounds like, and what ingest makes of it. */
const SOURCES = [
  ...["demo", "demo/art", "demo/clips", "server/shelf", "server/storage/keys.ts"],
  // What ingest makes has a version of its own.
  "server/media/measured.ts",
  ...["core/picture", "core/sound", "core/color", "core/time"],
  ...["@napi-rs/canvas", "sharp", "smartcrop", "@resvg/resvg-js"].map((name) => `node_modules/${name}/package.json`),
];

/** The files of the demo world. They are kept, with what ingest made of them, so that they are made once on a machine. */
export interface DemoFiles {
  /** Gives each file to `take`, which brings it in, as many at once as there are cores. */
  forEach(take: (name: string, path: string) => Promise<void>): Promise<void>;
  /** Keeps what ingest made of a file for the next demo world. */
  keepMade(sha256: string): Promise<void>;
}

/** They are kept in the system's cache folder, under a hash of the code that makes them. */
export async function openDemoFiles(): Promise<DemoFiles> {
  const cache = folderStore(join(cacheFolder(), "demo", await sourcesHash()));
  return {
    async forEach(take) {
      const aside = await mkdtemp(join(tmpdir(), "stencilcraft-demo-"));
      const size = Math.max(2, availableParallelism());
      const threads = openThreads<{ name: string; folder: string }, undefined>("demo/makeThread.ts", {
        minThreads: 0,
        maxThreads: size,
        // Between two files a thread has nothing to do while the last one is read in; starting anew costs more than a file.
        idleTimeout: 60_000,
      });
      const waiting = [...FILE_NAMES];
      const takeOn = async (): Promise<void> => {
        for (let name = waiting.shift(); name !== undefined; name = waiting.shift()) {
          const key = `made/${name}`;
          if (!(await cache.has(key))) {
            await threads.run({ name, folder: aside });
            await cache.keep(key, join(aside, name));
          }
          const path = await cache.local(key);
          await copyMade(await sha256Of(path), cache, store());
          await take(name, path);
        }
      };
      try {
        await Promise.all(Array.from({ length: size }, takeOn));
      } finally {
        await threads.end();
        await rm(aside, { recursive: true, force: true });
      }
    },
    keepMade: (sha256) => copyMade(sha256, store(), cache),
  };
}

/** Copies all that ingest makes of a file from store to store; what it measured last, since that says that all is there. */
async function copyMade(sha256: string, from: Store, to: Store): Promise<void> {
  const keys = (await from.list(folderOf(sha256))).map((name) => `${folderOf(sha256)}/${name}`);
  const isMeasured = (key: string): boolean => key === measuredKey(sha256, INGEST_VERSION);
  for (const key of [...keys.filter((made) => !isMeasured(made)), ...keys.filter(isMeasured)]) {
    if (await to.has(key)) continue;
    const copy = join(tmpdir(), `stencilcraft-copy-${randomUUID()}`);
    await copyFile(await from.local(key), copy);
    await to.keep(key, copy);
    await rm(copy, { force: true });
  }
}

const cacheFolder = (): string => join(process.env["XDG_CACHE_HOME"] ?? join(homedir(), ".cache"), "stencilcraft");

async function sourcesHash(): Promise<string> {
  const hash = createHash("sha256");
  for (const source of SOURCES)
    for (const file of await filesOf(source)) hash.update(file).update(await readFile(file));
  return hash.digest("hex").slice(0, 20);
}

async function filesOf(source: string): Promise<string[]> {
  if (/\.\w+$/.test(source)) return [source];
  const entries = await readdir(source, { withFileTypes: true });
  return entries
    .filter((entry) => entry.isFile() && !entry.name.endsWith(".test.ts"))
    .map(({ name }) => join(source, name))
    .sort();
}
