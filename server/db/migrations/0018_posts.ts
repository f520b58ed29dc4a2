import { type Kysely, sql } from "kysely";

/** The words of posts, what was and will be posted to channels, and how often it was seen. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table post_text (
      promotion_id uuid primary key references promotion(id) on delete cascade,
      team_id uuid not null references team(id) on delete cascade,
      words jsonb not null,
      own jsonb not null default '{}'
    );
    create table post (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team(id) on delete cascade,
      promotion_id uuid not null references promotion(id) on delete cascade,
      rendition_id uuid references rendition(id) on delete set null,
      channel text not null,
      placement text not null,
      words jsonb not null,
      state text not null default 'scheduled'
        check (state in ('scheduled', 'posting', 'processing', 'live', 'failed', 'cancelled')),
      at timestamptz not null,
      made_by text not null,
      problem text,
      tries integer not null default 0,
      asking integer not null default 1,
      upload text,
      remote_id text,
      live_at timestamptz,
      created_at timestamptz not null default now()
    );
    create index on post (promotion_id, at desc);
    create index on post (team_id, at desc);
    create index on post (rendition_id);
    create table post_views (
      post_id uuid not null references post(id) on delete cascade,
      team_id uuid not null references team(id) on delete cascade,
      day text not null,
      views integer not null check (views >= 0),
      primary key (post_id, day)
    );
  `.execute(db);
}
