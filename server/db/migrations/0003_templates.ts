import { type Kysely, sql } from "kysely";

/** Templates of a team's own, in editions; which ones a person likes. Those that ship are not in the database. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table template (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      slug text not null,
      name text not null,
      draft jsonb not null,
      revision integer not null default 1,
      edition integer not null default 0,
      updated_at timestamptz not null default now(),
      removed_at timestamptz,
      unique (team_id, slug)
    );

    create table template_edition (
      team_id uuid not null references team on delete cascade,
      template_id uuid not null references template on delete cascade,
      edition integer not null check (edition > 0),
      document jsonb not null,
      member_id uuid references member on delete set null,
      created_at timestamptz not null default now(),
      primary key (template_id, edition)
    );
    create index template_edition_by_team on template_edition (team_id);

    create table template_favourite (
      team_id uuid not null references team on delete cascade,
      member_id uuid not null references member on delete cascade,
      slug text not null,
      primary key (member_id, slug)
    );
    create index template_favourite_by_team on template_favourite (team_id);
  `.execute(db);
}
