import { createHash, randomUUID } from "node:crypto";
import { mkdir, readdir, rename, rm, stat, utimes } from "node:fs/promises";
import { join } from "node:path";

/** Who was given a file may open it for so long: until then it stays, however much there is. */
const LENT_MS = 60 * 60 * 1000;

/** Gives the path of a file by its key, fetched if it is not here. */
export type FolderCache = (key: string, fetchTo: (path: string) => Promise<void>) => Promise<string>;

/**
 * Files fetched once, by key. Keys name contents that never change, so a copy never grows stale. What was asked for longest
 * ago goes when there is more than `mostBytes`.
 *
 * @param now milliseconds since 1970
 */
export function folderCache(folder: string, mostBytes: number, now: () => number = Date.now): FolderCache {
  const under = new Map<string, Promise<string>>();

  /** Notes that a file was asked for; gives whether it is here. */
  async function isHere(path: string): Promise<boolean> {
    const seconds = now() / 1000;
    return utimes(path, seconds, seconds).then(
      () => true,
      () => false,
    );
  }

  async function thin(): Promise<void> {
    const names = await readdir(folder);
    const files = await Promise.all(
      names.map(async (name) => {
        const path = join(folder, name);
        const { size, mtimeMs } = await stat(path).catch(() => ({ size: 0, mtimeMs: now() }));
        return { path, size, askedAt: mtimeMs };
      }),
    );
    let bytes = files.reduce((sum, { size }) => sum + size, 0);
    for (const { path, size, askedAt } of files.sort((one, other) => one.askedAt - other.askedAt)) {
      if (bytes <= mostBytes || askedAt > now() - LENT_MS) return;
      await rm(path, { force: true });
      bytes -= size;
    }
  }

  async function fetchOnce(key: string, fetchTo: (path: string) => Promise<void>): Promise<string> {
    const path = join(folder, createHash("sha256").update(key).digest("hex"));
    if (await isHere(path)) return path;
    const aside = `${path}.${randomUUID()}.part`;
    await mkdir(folder, { recursive: true });
    await fetchTo(aside);
    await rename(aside, path);
    await isHere(path);
    await thin();
    return path;
  }

  return (key, fetchTo) => {
    const running = under.get(key) ?? fetchOnce(key, fetchTo).finally(() => under.delete(key));
    under.set(key, running);
    return running;
  };
}
