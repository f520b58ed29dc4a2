import { type Kysely, sql } from "kysely";

/** The brand a promotion is made in, so that a brand's promotions are found without reading all documents. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table promotion add column brand_id text generated always as (document ->> 'brand') stored;
    create index promotion_by_brand on promotion (team_id, brand_id, updated_at desc);
  `.execute(db);
}
