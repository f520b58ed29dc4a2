import { type Kysely, sql } from "kysely";

/** Segments that are painted by whichever worker has room, and the renditions that wait for them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table segment_work (
      key text primary key,
      painted integer not null default 0 check (painted >= 0),
      ended text check (ended in ('stored', 'failed', 'set aside', 'no room')),
      asked_at timestamptz not null default now()
    );
    create table segment_wait (
      key text not null references segment_work(key) on delete cascade,
      rendition_id uuid not null references rendition(id) on delete cascade,
      from_frame integer not null check (from_frame >= 0),
      to_frame integer not null check (to_frame > from_frame),
      until timestamptz not null,
      primary key (key, rendition_id)
    );
    create index on segment_wait (rendition_id);
    create index on segment_work (asked_at);
  `.execute(db);
}
