import { type Kysely, sql } from "kysely";

/** When a brand was made: who never chose one works in the team's first. Those that are there already count as one age. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table brand add column made_at timestamptz not null default now();`.execute(db);
}
