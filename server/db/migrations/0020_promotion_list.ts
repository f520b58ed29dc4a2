import { type Kysely, sql } from "kysely";

/** What promotions are listed by: the campaign that a person files them under, who made them, and what they are about. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table promotion
      add column campaign text not null default '',
      add column made_by uuid references member on delete set null,
      add column product_id text generated always as (document ->> 'product') stored,
      add column template_slug text generated always as (document #>> '{template,slug}') stored;
    update promotion set made_by = (
      select member_id from promotion_revision
      where promotion_revision.promotion_id = promotion.id order by revision limit 1);
    create index promotion_by_change on promotion (team_id, updated_at desc, id);
    create index promotion_by_making on promotion (team_id, created_at desc, id);
    create index promotion_by_name on promotion (team_id, lower(name), id);
    create index promotion_by_campaign on promotion (team_id, campaign) where campaign <> '';
  `.execute(db);
}
