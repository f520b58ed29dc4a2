import { type Promotion } from "../core/document/promotion";
import { database } from "../server/db/connect";
import { type TeamScope, teamScope } from "../server/db/teamScope";
import { promotionBySlug } from "../server/promotions/promotionStore";

/** A promotion of whichever team has it, as it is stored in the instance under test. */
export async function storedPromotion(slug: string): Promise<{ scope: TeamScope; document: Promotion }> {
  const row = await database()
    .selectFrom("promotion")
    .select("team_id")
    .where("slug", "=", slug)
    .executeTakeFirstOrThrow();
  const scope = teamScope(database(), row.team_id);
  const { document } = await promotionBySlug(scope, slug);
  return { scope, document };
}
