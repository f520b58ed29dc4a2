import { type Kysely, sql } from "kysely";

/** The brand that those of a team work in who have chosen none: the one that was made the usual one last. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table brand add column usual_since timestamptz`.execute(db);
}
