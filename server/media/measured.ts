import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { array, number, object, string } from "yup";
import { measuredKey } from "../storage/keys";
import { store } from "../storage/store";
import { type MediaKind } from "./sniff";

/** Bumped when ingest measures or makes anything in another way: what was measured before is then measured anew. */
export const INGEST_VERSION = 9;

/** What ingest writes into an item's row. */
export interface Measured {
  readonly kind: MediaKind;
  /** JSON, see `storedFacts.ts`. */
  readonly facts: string;
  readonly width: number | null;
  readonly height: number | null;
  readonly length_ms: number | null;
  readonly colors: string[];
  readonly look: string | null;
  readonly sharpness: number | null;
}

const schema = object({
  kind: string()
    .oneOf(["picture", "clip", "sound"] as const)
    .required(),
  facts: string().required(),
  width: number().nullable().defined(),
  height: number().nullable().defined(),
  length_ms: number().nullable().defined(),
  colors: array(string().required()).required(),
  look: string().nullable().defined(),
  sharpness: number().nullable().defined(),
});

/** Whether a file's bytes were measured before, in whatever item. */
export const isMeasured = (sha256: string): Promise<boolean> => store().has(measuredKey(sha256, INGEST_VERSION));

/** What a file's bytes measure as. Bytes that were measured before, in whatever item, are not measured again. */
export async function measuredOnce(
  sha256: string,
  folder: string,
  measure: () => Promise<Measured>,
): Promise<Measured> {
  const key = measuredKey(sha256, INGEST_VERSION);
  if (await store().has(key)) {
    const kept: unknown = JSON.parse(await readFile(await store().local(key), "utf8"));
    if (schema.isValidSync(kept)) return kept;
  }
  const measured = await measure();
  const file = join(folder, "measured.json");
  await writeFile(file, JSON.stringify(measured));
  await store().keep(key, file);
  return measured;
}
