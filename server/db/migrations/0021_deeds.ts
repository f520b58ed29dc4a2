import { type Kysely, sql } from "kysely";

/** What people of a team did, and who runs the instance. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table deed (
      id bigint generated always as identity primary key,
      team_id uuid not null references team on delete cascade,
      at timestamptz not null default now(),
      by text not null,
      did text not null
    );
    create index on deed (team_id, id desc);
    create index on deed (at);
    alter table member add column operates boolean not null default false;
    update member set operates = true where id = (
      select id from member where role = 'owner' order by joined_at, id limit 1);
  `.execute(db);
}
