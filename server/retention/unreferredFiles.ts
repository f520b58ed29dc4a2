import { keysOf } from "../../core/records";
import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";
import { store } from "../storage/store";
import { type StoredFile } from "../storage/storeType";

/** What lies where in the store. */
export const KINDS = {
  media: "media",
  fonts: "fonts",
  renditions: "renders",
  segments: "segments",
  stills: "stills",
  shelf: "shelf",
  emoji: "emoji",
} as const;
export type Folder = keyof typeof KINDS;

/** What is made again when it is wanted: only its age counts. */
export const MADE: ReadonlySet<Folder> = new Set(["segments", "stills", "shelf", "emoji"]);

const SHA = /[0-9a-f]{64}/;

/** By what rows refer to a file: the SHA-256 of its contents, or, of a rendition, its key. */
export const referredBy = (folder: Folder, key: string): string =>
  folder === "renditions" ? key : (SHA.exec(key)?.[0] ?? "");

/** What rows refer to. */
async function referred(db: Kysely<Database>): Promise<ReadonlySet<string>> {
  const { rows } = await sql<{ what: string }>`
    select sha256 as what from media
    union select sha256 from font
    union select file_key from rendition where file_key is not null
    union select payload -> 'replacement' ->> 'sha256' from graphile_worker._private_jobs
      where payload -> 'replacement' ->> 'sha256' is not null
    union select (regexp_matches(input::text, '[0-9a-f]{64}', 'g'))[1] from render`.execute(db);
  return new Set(rows.map(({ what }) => what));
}

/**
 * Removes files that are older than `before` and that nothing refers to. Gives how many they were, and how large.
 *
 * @param onKept called with each file that stays, so that the store is walked through once
 */
export async function removeUnreferred(
  db: Kysely<Database>,
  before: Date,
  onKept: (folder: Folder, file: StoredFile) => void,
): Promise<{ files: number; bytes: number }> {
  const known = await referred(db);
  const isWanted = (folder: Folder, { key, keptAt }: StoredFile): boolean =>
    keptAt >= before || (!MADE.has(folder) && known.has(referredBy(folder, key)));
  let [files, bytes] = [0, 0];
  for (const folder of keysOf(KINDS))
    for await (const file of store().under(folder)) {
      if (isWanted(folder, file)) {
        onKept(folder, file);
        continue;
      }
      await store().remove(file.key);
      files++;
      bytes += file.bytes;
    }
  return { files, bytes };
}
