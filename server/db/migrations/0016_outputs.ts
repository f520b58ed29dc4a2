import { type Kysely, sql } from "kysely";

/** How each rendition is made: those of before as all were then. How a team's files are called. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table rendition add column output jsonb`.execute(db);
  await sql`
    update rendition set output = jsonb_build_object(
      'kind', 'mp4', 'quality', render.quality, 'rate', '30', 'mostBytes', null, 'loudness', null, 'captions', null,
      'placement', null)
    from render where render.id = rendition.render_id`.execute(db);
  await sql`alter table rendition alter column output set not null`.execute(db);
  await sql`alter table team add column file_pattern text not null default ''`.execute(db);
}
