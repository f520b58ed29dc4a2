import { type Kysely, sql } from "kysely";

/** How much space each team uses, and what all of them share, by kind, as it was counted last. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table space_used (
      team_id uuid references team(id) on delete cascade,
      kind text not null,
      files integer not null,
      bytes bigint not null,
      counted_at timestamptz not null,
      unique nulls not distinct (team_id, kind)
    );
  `.execute(db);
}
