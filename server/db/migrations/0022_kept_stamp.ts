import { type Kysely, sql } from "kysely";

/** What pages may keep in memory: see server/db/teamMemory.ts. */
const KEPT = [
  "brand",
  "product",
  "product_picture",
  "price_step",
  "offer",
  "media",
  "font",
  "template",
  "template_edition",
  "placement",
];

/** A second number for each team, that grows whenever anything changes in the tables that its pages may keep in memory. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table team_stamp add column kept bigint not null default 1;
    create function stamp_kept() returns trigger language plpgsql as $$
    begin
      -- A team that is being removed has no stamp any more.
      insert into team_stamp (team_id)
        select id from team where id in (select distinct team_id from changed)
        on conflict (team_id) do update set kept = team_stamp.kept + 1;
      return null;
    end $$;
  `.execute(db);
  for (const table of KEPT)
    for (const [what, rows] of [
      ["insert", "new"],
      ["update", "new"],
      ["delete", "old"],
    ])
      await sql
        .raw(
          `create trigger ${table}_kept_${what} after ${what} on ${table}
             referencing ${rows} table as changed for each statement execute function stamp_kept();`,
        )
        .execute(db);
}
