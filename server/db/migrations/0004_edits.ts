import { type Kysely, sql } from "kysely";

/** What people changed of promotions, in the order it was saved; whole revisions are kept now and then, and by name. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table promotion_edit (
      team_id uuid not null references team on delete cascade,
      promotion_id uuid not null references promotion on delete cascade,
      revision integer not null,
      edits jsonb not null,
      member_id uuid references member on delete set null,
      created_at timestamptz not null default now(),
      primary key (promotion_id, revision)
    );

    alter table promotion_revision add column name text;
  `.execute(db);
}
