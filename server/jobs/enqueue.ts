import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";

/** A file that takes the place of an item's own once it is read in. */
export interface Replacement {
  readonly sha256: string;
  readonly mime: string;
  readonly bytes: number;
}

/** The jobs there are and what each is told. */
export interface Jobs {
  readonly "ingest-media": { readonly media: string; readonly replacement?: Replacement };
  readonly "follow-subject": { readonly media: string };
  readonly "render-rendition": { readonly rendition: string };
}

export const MOST_TRIES = 4;

/** Queues a job, in the caller's transaction if it is one. */
export async function enqueue<Name extends keyof Jobs>(
  db: Kysely<Database>,
  name: Name,
  payload: Jobs[Name],
): Promise<void> {
  await sql`select graphile_worker.add_job(${name}, payload := ${JSON.stringify(payload)}::json, max_attempts := ${MOST_TRIES})`.execute(
    db,
  );
}
