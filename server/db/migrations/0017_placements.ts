import { type Kysely, sql } from "kysely";

/** What a team has changed of the placements that ship, added to them, or (without a document) taken out of them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table placement (
      team_id uuid not null references team on delete cascade,
      slug text not null,
      document jsonb,
      primary key (team_id, slug)
    )`.execute(db);
}
