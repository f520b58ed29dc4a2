import { type Kysely, sql } from "kysely";

/**
 * Brand books as one document, several a team; products with codes, several pictures and a price history; offers of every
 * kind; media with rights, tags and what ingest measured; collections; own fonts; renditions that know they are out of date.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create extension if not exists pg_trgm;

    alter table brand add column book jsonb;
    update brand set book = jsonb_build_object(
      'version', 1,
      'colors', (select jsonb_object_agg(role, jsonb_build_object('name', role, 'hex', hex)) from (
        select key as role, value as hex from jsonb_each_text(palette) union all select 'sale', palette ->> 'accent' where not palette ? 'sale') colors),
      'extras', '[]'::jsonb,
      'faces', jsonb_build_object(
        'headline', jsonb_build_object('family', headline_family, 'weight', null),
        'text', jsonb_build_object('family', text_family, 'weight', null),
        'figures', jsonb_build_object('family', headline_family, 'weight', null)),
      'logos', case when logo_media_id is null then '[]'::jsonb else jsonb_build_array(jsonb_build_object('variant', 'full', 'media', logo_media_id)) end,
      'logoRules', jsonb_build_object('clearSpace', 0.25, 'leastWidth', 160),
      'contact', jsonb_build_object('website', website, 'phone', '', 'address', '', 'handles', case when handle = '' then '[]'::jsonb else jsonb_build_array(handle) end),
      'calls', jsonb_build_array(call),
      'legal', '[]'::jsonb,
      'tune', null,
      'signOff', jsonb_build_object('first', 'website', 'second', 'handle'),
      'watermark', jsonb_build_object('on', false, 'corner', 'top-right', 'size', 0.12, 'opacity', 0.7));
    alter table brand alter column book set not null,
      drop column palette, drop column headline_family, drop column text_family, drop column website, drop column handle, drop column call, drop column logo_media_id;
    alter table member add column working_brand_id uuid references brand on delete set null;

    alter table product
      add column code text not null default '',
      add column text text not null default '',
      add column content_quantity numeric(10, 3) check (content_quantity > 0),
      add column content_unit text,
      add column link text not null default '',
      add column tags text[] not null default '{}',
      add column in_stock boolean not null default true,
      add column search text generated always as (lower(name || ' ' || line || ' ' || code)) stored,
      add check ((content_quantity is null) = (content_unit is null));
    drop index product_by_team;
    create index product_by_name on product (team_id, name, id);
    create index product_by_price on product (team_id, price_minor, id);
    create index product_by_code on product (team_id, code, id);
    create unique index product_code_once on product (team_id, code) where code <> '';
    create index product_by_tags on product using gin (tags);
    create index product_by_search on product using gin (search gin_trgm_ops);

    create table product_picture (
      team_id uuid not null references team on delete cascade,
      product_id uuid not null references product on delete cascade,
      media_id uuid not null references media on delete cascade,
      position integer not null check (position >= 0),
      primary key (product_id, media_id)
    );
    create index product_picture_by_media on product_picture (media_id);
    insert into product_picture select team_id, id, picture_media_id, 0 from product where picture_media_id is not null;
    alter table product drop column picture_media_id;

    create table price_step (
      team_id uuid not null references team on delete cascade,
      product_id uuid not null references product on delete cascade,
      from_at timestamptz not null,
      price_minor integer not null check (price_minor >= 0),
      currency char(3) not null,
      primary key (product_id, from_at)
    );
    insert into price_step select team_id, id, now(), price_minor, currency from product;

    alter table offer
      add column terms jsonb,
      add column scope jsonb not null default '{"on": "all"}',
      add column code text not null default '',
      add column small_print text not null default '',
      add column limits text not null default '';
    update offer set terms = case kind
      when 'percent-off' then jsonb_build_object('kind', kind, 'percent', percent, 'ending', 'exact')
      else jsonb_build_object('kind', kind, 'price', jsonb_build_object('amount', price_minor, 'currency', currency)) end;
    alter table offer alter column terms set not null, drop column kind, drop column percent, drop column price_minor;

    alter table media
      add column tags text[] not null default '{}',
      add column is_logo boolean not null default false,
      add column source text not null default '',
      add column licence text not null default '',
      add column holder text not null default '',
      add column rights_from date,
      add column rights_to date,
      add column width integer,
      add column height integer,
      add column length_ms integer,
      add column colors text[] not null default '{}',
      add column look bigint,
      add column sharpness real,
      add column deleted_at timestamptz,
      add column search text generated always as (lower(name)) stored;
    update media set
      width = (facts ->> 'width')::integer, height = (facts ->> 'height')::integer,
      length_ms = case kind
        when 'sound' then round((facts ->> 'length')::numeric)::integer
        when 'clip' then round((facts ->> 'frames')::numeric * 1000 * (facts -> 'rate' ->> 'denominator')::numeric / (facts -> 'rate' ->> 'numerator')::numeric)::integer end
      where facts is not null;
    drop index media_by_team;
    create index media_by_age on media (team_id, created_at desc, id) where deleted_at is null;
    create index media_by_name on media (team_id, name, id) where deleted_at is null;
    create index media_by_bytes on media (team_id, bytes desc, id) where deleted_at is null;
    create index media_by_hash on media (team_id, sha256);
    create index media_by_tags on media using gin (tags);
    create index media_by_colors on media using gin (colors);
    create index media_by_search on media using gin (search gin_trgm_ops);

    create table collection (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      name text not null,
      unique (team_id, name)
    );
    create table collection_media (
      team_id uuid not null references team on delete cascade,
      collection_id uuid not null references collection on delete cascade,
      media_id uuid not null references media on delete cascade,
      primary key (collection_id, media_id)
    );
    create index collection_media_by_media on collection_media (media_id);

    create table font (
      id uuid primary key default gen_random_uuid(),
      team_id uuid not null references team on delete cascade,
      family text not null,
      file_name text not null,
      sha256 text not null,
      facts jsonb not null,
      created_at timestamptz not null default now(),
      unique (team_id, family)
    );

    alter table rendition add column outdated_by text;
  `.execute(db);
}
