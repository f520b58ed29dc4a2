import { type Kysely, sql } from "kysely";

/** What was dropped on a slot and is still being read in: the slot shows it once it is. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table awaited_fill (
      team_id uuid not null references team(id) on delete cascade,
      promotion_id uuid not null references promotion(id) on delete cascade,
      slot text not null,
      media_id uuid not null references media(id) on delete cascade,
      member_id uuid not null references member(id) on delete cascade,
      was jsonb,
      created_at timestamptz not null default now(),
      primary key (promotion_id, slot)
    );
    create index on awaited_fill (media_id);
  `.execute(db);
}
