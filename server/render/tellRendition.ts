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
    .select((eb) => [
      "rendition.team_id",
      "promotion.slug",
      "promotion.name",
      "render.asked_by",
      eb
        .selectFrom("rendition as other")
        .whereRef("other.render_id", "=", "render.id")
        .where("other.state", "in", ["waiting", "working"])
        .select(eb.fn.countAll<string>().as("count"))
        .as("left"),
    ])
    .executeTakeFirst();
  if (!row) return;
  const { team_id: team, slug: promotion, name, asked_by: by, left } = row;
  await tellTeam(db, team, { topic: "rendition", id, promotion, name, by, left: Number(left), state, progress });
}
