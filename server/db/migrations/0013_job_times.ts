import { type Kysely, sql } from "kysely";

/**
 * What jobs that ended well took, and how long they had waited, so that it can be said how long others will, and seen over
 * time; who asked for a render, and when a rendition was done.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table job_time (
      kind text not null,
      team_id uuid references team on delete cascade,
      waited_ms integer not null check (waited_ms >= 0),
      took_ms integer not null check (took_ms >= 0),
      frames integer not null default 0 check (frames >= 0),
      fresh_frames integer not null default 0 check (fresh_frames between 0 and frames),
      ended_at timestamptz not null default now()
    )`.execute(db);
  await sql`create index job_time_newest on job_time (kind, ended_at desc)`.execute(db);
  await sql`create index job_time_of_team on job_time (team_id, ended_at desc)`.execute(db);
  await sql`alter table rendition add column ended_at timestamptz`.execute(db);
  await sql`alter table render add column asked_by uuid references member on delete set null`.execute(db);
}
