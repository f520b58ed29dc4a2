import { type Kysely, sql } from "kysely";

/** Promotions that are done with: out of the lists of work, and there when they are looked for. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table promotion add column archived_at timestamptz`.execute(db);
}
