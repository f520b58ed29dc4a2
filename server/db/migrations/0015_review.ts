import { type Kysely, sql } from "kysely";

/**
 * Links by which people without an account see a promotion; what is said about it, and whether it was approved. A promotion
 * holds how its review stands, so that lists can be filtered by it.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table share_link (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team(id) on delete cascade,
      promotion_id uuid not null references promotion(id) on delete cascade,
      token_hash text not null unique,
      embed_hash text not null unique,
      note text not null default '',
      password_hash text,
      ends_at timestamptz,
      revoked_at timestamptz,
      opened integer not null default 0,
      opened_at timestamptz,
      made_by text not null,
      created_at timestamptz not null default now()
    );
    create index on share_link (promotion_id);
    create table review_comment (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team(id) on delete cascade,
      promotion_id uuid not null references promotion(id) on delete cascade,
      answers uuid references review_comment(id) on delete cascade,
      revision integer not null,
      format text,
      at_ms integer check (at_ms >= 0),
      x real check (x between 0 and 1),
      y real check (y between 0 and 1),
      words text not null,
      by_name text not null,
      member_id uuid references member(id) on delete set null,
      link_id uuid references share_link(id) on delete set null,
      created_at timestamptz not null default now(),
      resolved_at timestamptz,
      resolved_by text
    );
    create index on review_comment (promotion_id, created_at);
    create index on review_comment (answers);
    create index on review_comment (link_id, created_at);
    create table verdict (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team(id) on delete cascade,
      promotion_id uuid not null references promotion(id) on delete cascade,
      render_id uuid not null references render(id) on delete cascade,
      decision text not null check (decision in ('approved', 'changes')),
      words text not null default '',
      by_name text not null,
      member_id uuid references member(id) on delete set null,
      link_id uuid references share_link(id) on delete set null,
      created_at timestamptz not null default now()
    );
    create index on verdict (promotion_id, created_at);
    create index on verdict (render_id);
    alter table promotion
      add column review text not null default 'none' check (review in ('none', 'asked', 'changes', 'approved', 'lapsed')),
      add column review_at timestamptz,
      add column review_by text;
    create index on promotion (team_id, review) where review <> 'none';
  `.execute(db);
}
