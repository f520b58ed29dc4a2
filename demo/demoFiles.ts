import { createHash, randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import { copyFile, mkdir, mkdtemp, readFile, readdir, rename, rm, stat } from "node:fs/promises";
import { availableParallelism, homedir, tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { folderOf } from "../server/storage/keys";
import { store } from "../server/storage/store";
import { openThreads } from "../server/threads/openThreads";
import { FILE_NAMES } from "./makeFile";

/** Everything that decides what a file of the demo world looks or sounds like, and what ingest makes of it. */
const SOURCES = [
  ...["demo", "demo/art", "server/shelf", "server/media", "server/storage/keys.ts"],
  ...["core/picture", "core/sound", "core/color", "core/time"],
  ...["@napi-rs/canvas", "sharp", "smartcrop", "@resvg/resvg-js"].map((name) => `node_modules/${name}/package.json`),
];

/**
 * Gives each file of the demo world to `take`, which brings it in and gives its SHA-256, as many at once as there are
 * cores. Files, and what ingest made of them, are kept in the system's cache folder under a hash of the code that makes
 * them, so that they are made once on a machine.
 */
export async function withDemoFiles(take: (name: string, path: string) => Promise<string>): Promise<void> {
  const cache = join(cacheFolder(), "demo", await sourcesHash());
  const folder = join(cache, "made");
  await mkdir(folder, { recursive: true });
  const kept = await keepCached(cache);
  const size = Math.max(2, availableParallelism());
  const threads = openThreads<{ name: string; folder: string }, undefined>("demo/makeThread.ts", {
    minThreads: 0,
    maxThreads: size,
  });
  const waiting = [...FILE_NAMES];
  const takeOn = async (): Promise<void> => {
    for (let name = waiting.shift(); name !== undefined; name = waiting.shift()) {
      const path = join(folder, name);
      if (!existsSync(path)) {
        // Made aside and moved in whole: two starts at once never see half a file.
        const aside = join(folder, randomUUID());
        await mkdir(aside);
        await threads.run({ name, folder: aside });
        await rename(join(aside, name), path);
      }
      const sha256 = await take(name, path);
      if (!kept.has(folderOf(sha256))) await cacheWork(cache, sha256);
    }
  };
  try {
    await Promise.all(Array.from({ length: size }, takeOn));
  } finally {
    await threads.end();
  }
}

/** Puts what ingest made before into the store. Gives the folders that came from the cache. */
async function keepCached(cache: string): Promise<ReadonlySet<string>> {
  const work = join(cache, "work");
  if (!existsSync(work)) return new Set();
  const aside = await mkdtemp(join(tmpdir(), "stencilcraft-demo-"));
  const folders = new Set<string>();
  try {
    for (const key of await readdir(work, { recursive: true })) {
      if (!(await stat(join(work, key))).isFile()) continue;
      const copy = join(aside, randomUUID());
      await copyFile(join(work, key), copy);
      await store().keep(key, copy);
      folders.add(dirname(key));
    }
    return folders;
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
}

/** Keeps all that ingest made of a file, moved in whole. */
async function cacheWork(cache: string, sha256: string): Promise<void> {
  const folder = folderOf(sha256);
  const aside = join(cache, randomUUID());
  for (const name of await store().list(folder)) {
    await mkdir(aside, { recursive: true });
    await copyFile(await store().local(`${folder}/${name}`), join(aside, name));
  }
  const to = join(cache, "work", folder);
  await mkdir(dirname(to), { recursive: true });
  // Another start may have been quicker.
  if (!existsSync(to)) await rename(aside, to);
  else await rm(aside, { recursive: true, force: true });
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
