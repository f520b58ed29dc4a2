import { type Kysely } from "kysely";
import { type Database, type RenditionState } from "../db/tables";
import { tellTeam } from "../events/teamEvents";

/** Tells the team's open pages how far a rendition has come, and of which promotion it is. @param progress 0…1 */
export async function tellRendition(
  db: Kysely<Database>,
  id: string,
  { state, progress }: { readonly state: RenditionState; readonly progress: number },
): Promise<void> {
  const row = await db
    .selectFrom("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .innerJoin("promotion", "promotion.id", "render.promotion_id")
    .where("rendition.id", "=", id)
    .select(["rendition.team_id", "promotion.slug"])
    .executeTakeFirst();
  if (row) await tellTeam(db, row.team_id, { topic: "rendition", id, promotion: row.slug, state, progress });
}
