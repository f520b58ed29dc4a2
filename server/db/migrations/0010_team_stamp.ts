import { type Kysely, sql } from "kysely";

/**
 * A number for each team that grows whenever something changes that frames are drawn from, other than the promotion
 * itself: what was drawn under one number looks the same as long as the number stands.
 */
const DRAWN_FROM: Readonly<Record<string, string>> = {
  brand: "name, book",
  product: "name, line, price_minor, currency, content_quantity, content_unit, tags, in_stock",
  product_picture: "position",
  price_step: "price_minor",
  offer: "name, terms, scope, currency, starts_at, ends_at, zone",
  media: "sha256, facts, deleted_at, rights_from, rights_to, licence",
  font: "family, sha256",
  template_edition: "document",
};

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table team_stamp (
      team_id uuid primary key references team(id) on delete cascade,
      stamp bigint not null default 1
    );
    insert into team_stamp (team_id) select id from team;
    create function stamp_team() returns trigger language plpgsql as $$
    begin
      -- A team that is being removed has no stamp any more.
      insert into team_stamp (team_id, stamp)
        select id, 1 from team where id in (select distinct team_id from changed)
        on conflict (team_id) do update set stamp = team_stamp.stamp + 1;
      return null;
    end $$;
  `.execute(db);
  for (const [table, columns] of Object.entries(DRAWN_FROM)) {
    const then = `on ${table} referencing`;
    await sql
      .raw(
        `create trigger ${table}_added after insert ${then} new table as changed for each statement execute function stamp_team();
         create trigger ${table}_gone after delete ${then} old table as changed for each statement execute function stamp_team();`,
      )
      .execute(db);
    // A trigger with a transition table knows no columns; a row's own does.
    await sql
      .raw(
        `create function stamp_${table}() returns trigger language plpgsql as $$
         begin
           insert into team_stamp (team_id, stamp) values (new.team_id, 1)
             on conflict (team_id) do update set stamp = team_stamp.stamp + 1;
           return null;
         end $$;
         create trigger ${table}_changed after update of ${columns} on ${table}
           for each row when (old.* is distinct from new.*) execute function stamp_${table}();`,
      )
      .execute(db);
  }
}
