import { readdir, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { config } from "../config";

/** What was cut off can be taken up again for so long. */
const KEPT_MS = 86_400_000;

/** Where files lie while they are being sent. */
export const uploadFolder = (): string => join(config().data, "uploads");

/** An upload is a file, with one beside it that says what it is. */
export async function removeUpload(path: string): Promise<void> {
  await Promise.all([rm(path, { force: true }), rm(`${path}.json`, { force: true })]);
}

/** Removes what was cut off and never gone on with. To be called now and then. */
export async function tidyUploads(now = Date.now()): Promise<void> {
  for (const name of await readdir(uploadFolder()).catch(() => [])) {
    const path = join(uploadFolder(), name);
    const about = await stat(path).catch(() => null);
    // One that is still being sent is written to; what says what it is was written once.
    const sent = name.endsWith(".json") ? await stat(path.replace(/\.json$/, "")).catch(() => null) : about;
    if (about && now - (sent ?? about).mtimeMs > KEPT_MS) await rm(path, { force: true });
  }
}
