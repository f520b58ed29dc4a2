import { type Kysely, sql } from "kysely";

/**
 * What lets work go on after a process has ended: where each worker runs, which jobs ended theirs, which asking for a
 * rendition is the latest, and whether a demo team was loaded to its end. How fast somebody may try passwords, and which
 * sessions a person has.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table worker add column host text not null default '', add column pid integer not null default 0;
    create table job_strike (
      job_key text primary key,
      strikes integer not null default 1,
      struck_at timestamptz not null default now()
    );
    alter table rendition add column asking integer not null default 1;
    alter table team add column loaded boolean not null default true;
    drop table sign_in_attempt;
    create table sign_in_pace (
      key text primary key,
      tries integer not null default 1,
      next_at timestamptz not null default now()
    );
    alter table session
      add column id uuid not null default gen_random_uuid() unique,
      add column started_at timestamptz not null default now(),
      add column seen_at timestamptz not null default now(),
      add column device text not null default '';
  `.execute(db);
}
