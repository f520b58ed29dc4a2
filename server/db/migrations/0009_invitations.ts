import { type Kysely, sql } from "kysely";

/** Links by which somebody joins a team, or a member who has forgotten the password chooses another. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table invitation (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team(id) on delete cascade,
      token_hash text not null unique,
      role text not null,
      note text not null default '',
      member_id uuid references member(id) on delete cascade,
      made_by text not null,
      created_at timestamptz not null default now(),
      expires_at timestamptz not null
    );
    create index on invitation (team_id);
    alter table member add column joined_at timestamptz not null default now();
  `.execute(db);
}
