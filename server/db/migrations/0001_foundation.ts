import { type Kysely, sql } from "kysely";

/** Teams and their people, brand books, catalogue, media, promotions and renditions. Every row belongs to a team. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table team (
      id uuid primary key default gen_random_uuid(),
      name text not null,
      locale text not null,
      zone text not null,
      currency char(3) not null,
      is_demo boolean not null default false
    );

    create table member (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      email text not null unique,
      name text not null,
      role text not null check (role in ('owner', 'designer', 'marketer', 'reviewer')),
      password_hash text not null
    );

    create table session (
      token_hash text primary key,
      team_id uuid not null references team on delete cascade,
      member_id uuid not null references member on delete cascade,
      expires_at timestamptz not null
    );
    create index session_expires_at on session (expires_at);

    create table sign_in_attempt (
      email text primary key,
      failures integer not null,
      blocked_until timestamptz not null
    );

    create table media (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      name text not null,
      kind text not null check (kind in ('picture', 'clip', 'sound')),
      state text not null check (state in ('waiting', 'working', 'ready', 'failed')),
      progress real not null default 0,
      problem text,
      sha256 text not null,
      mime text not null,
      bytes bigint not null,
      facts jsonb,
      created_at timestamptz not null default now()
    );
    create index media_by_team on media (team_id, created_at desc);

    create table brand (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      name text not null,
      palette jsonb not null,
      headline_family text not null,
      text_family text not null,
      website text not null,
      handle text not null,
      call text not null,
      logo_media_id uuid references media on delete set null
    );
    create index brand_by_team on brand (team_id);

    create table product (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      name text not null,
      line text not null,
      price_minor integer not null check (price_minor >= 0),
      currency char(3) not null,
      picture_media_id uuid references media on delete set null
    );
    create index product_by_team on product (team_id, name);

    create table offer (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      name text not null,
      kind text not null check (kind in ('percent-off', 'new-price')),
      percent numeric(5, 2) check (percent > 0 and percent <= 100),
      price_minor integer check (price_minor >= 0),
      currency char(3) not null,
      starts_at timestamptz not null,
      ends_at timestamptz not null check (ends_at > starts_at),
      zone text not null,
      check ((kind = 'percent-off') = (percent is not null) and (kind = 'new-price') = (price_minor is not null))
    );
    create index offer_by_team on offer (team_id, starts_at);

    create table promotion (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      slug text not null,
      name text not null,
      document jsonb not null,
      revision integer not null default 1,
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      unique (team_id, slug)
    );

    create table promotion_revision (
      team_id uuid not null references team on delete cascade,
      promotion_id uuid not null references promotion on delete cascade,
      revision integer not null,
      document jsonb not null,
      member_id uuid references member on delete set null,
      created_at timestamptz not null default now(),
      primary key (promotion_id, revision)
    );

    create table render (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      promotion_id uuid not null references promotion on delete cascade,
      revision integer not null,
      quality text not null,
      input jsonb not null,
      created_at timestamptz not null default now()
    );
    create index render_by_promotion on render (team_id, promotion_id, created_at desc);

    create table rendition (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      render_id uuid not null references render on delete cascade,
      format text not null,
      state text not null default 'waiting' check (state in ('waiting', 'working', 'ready', 'failed', 'cancelled')),
      progress real not null default 0,
      problem text,
      file_key text,
      file jsonb,
      created_at timestamptz not null default now(),
      check ((state = 'ready') = (file_key is not null and file is not null))
    );
    create index rendition_by_render on rendition (render_id);

    create table worker (
      id text primary key,
      seen_at timestamptz not null
    );
  `.execute(db);
}
