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

/** What rows refer to: files' contents by their SHA-256, renditions by their key. */
export async function referred(db: Kysely<Database>): Promise<ReadonlySet<string>> {
  const { rows } = await sql<{ what: string }>`
    select sha256 as what from media
    union select sha256 from font
    union select file_key from rendition where file_key is not null
    union select payload -> 'replacement' ->> 'sha256' from graphile_worker._private_jobs
      where payload -> 'replacement' ->> 'sha256' is not null
    union select (regexp_matches(input::text, '[0-9a-f]{64}', 'g'))[1] from render`.execute(db);
  return new Set(rows.map(({ what }) => what));
}

const SHA = /[0-9a-f]{64}/;

/** Whether a file goes: it is older than `before`, and nothing refers to it. */
export function goes(folder: Folder, { key, keptAt }: StoredFile, known: ReadonlySet<string>, before: Date): boolean {
  if (keptAt >= before) return false;
  if (MADE.has(folder)) return true;
  return !known.has(folder === "renditions" ? key : (SHA.exec(key)?.[0] ?? ""));
}

/** Removes the files that go. Gives how many they were, and how large. */
export async function removeUnreferred(db: Kysely<Database>, before: Date): Promise<{ files: number; bytes: number }> {
  const known = await referred(db);
  let [files, bytes] = [0, 0];
  for (const folder of Object.keys(KINDS) as Folder[])
    for await (const file of store().under(folder)) {
      if (!goes(folder, file, known, before)) continue;
      await store().remove(file.key);
      files++;
      bytes += file.bytes;
    }
  return { files, bytes };
}
