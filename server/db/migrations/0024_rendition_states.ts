import { type Kysely, sql } from "kysely";

/** How far the renditions of a render are, without reading the rows themselves: lists of promotions ask it of all of them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create index rendition_states on rendition (render_id, state) include (outdated_by);
    drop index rendition_by_render;
  `.execute(db);
}
