import { randomUUID } from "node:crypto";
import { constants } from "node:fs";
import { access, copyFile, mkdir, open, readdir, rename, rm, stat } from "node:fs/promises";
import { dirname, join, normalize, relative, sep } from "node:path";
import { type Store } from "./storeType";

/** A store in a local folder. Files are written aside, synced, then renamed into place. */
export function folderStore(folder: string): Store {
  const pathOf = (key: string): string => {
    const path = normalize(join(folder, key));
    if (!path.startsWith(normalize(folder) + sep)) throw new RangeError("A key must stay inside the store.");
    return path;
  };
  const has = (key: string): Promise<boolean> =>
    access(pathOf(key), constants.R_OK).then(
      () => true,
      () => false,
    );
  return {
    has,
    async keep(key, localFile) {
      if (await has(key)) return;
      const path = pathOf(key);
      const aside = `${path}.${randomUUID()}.part`;
      await mkdir(dirname(path), { recursive: true });
      await rename(localFile, aside).catch(() => copyFile(localFile, aside));
      const file = await open(aside, "r");
      try {
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(aside, path);
    },
    async local(key) {
      if (!(await has(key))) throw new Error(`The store has no file “${key}”.`);
      return pathOf(key);
    },
    async list(folder) {
      const entries = await readdir(pathOf(folder), { withFileTypes: true }).catch(() => []);
      const whole = entries.filter((entry) => entry.isFile() && !entry.name.endsWith(".part"));
      return whole.map(({ name }) => name).sort();
    },
    remove: (key) => rm(pathOf(key), { force: true }),
    async *under(within) {
      const entries = await readdir(pathOf(within), { recursive: true, withFileTypes: true }).catch(() => []);
      for (const entry of entries) {
        if (!entry.isFile()) continue;
        const path = join(entry.parentPath, entry.name);
        const about = await stat(path).catch(() => null);
        // It may have gone meanwhile.
        if (about) yield { key: relative(folder, path), bytes: about.size, keptAt: about.mtime };
      }
    },
  };
}
