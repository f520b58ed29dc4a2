import { type Kysely, sql } from "kysely";

/** What was let pass when a render was asked for: by whom, why, and what had been found. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table render add column passed jsonb;`.execute(db);
}
