import { type Promotion } from "../core/document/promotion";
import { type TeamScope } from "../server/db/teamScope";
import { openDemoData } from "./demoInstance";
import { BENCH_PROMOTION } from "./render";

/** Puts a promotion made from one of the demo world's into it, if it is not there yet; it is there from then on. */
export async function addPromotion(
  data: string,
  slug: string,
  make: (model: Promotion, scope: TeamScope) => Promise<Promotion>,
): Promise<void> {
  const demo = await openDemoData(data);
  try {
    const { database } = await import("../server/db/connect");
    const { teamScope } = await import("../server/db/teamScope");
    const { promotionBySlug } = await import("../server/promotions/promotionStore");
    const db = database();
    const { team_id } = await db
      .selectFrom("promotion")
      .select("team_id")
      .where("slug", "=", BENCH_PROMOTION)
      .executeTakeFirstOrThrow();
    const scope = teamScope(db, team_id);
    const there = await scope.select("promotion").select("id").where("slug", "=", slug).executeTakeFirst();
    if (there) return;
    const document = await make((await promotionBySlug(scope, BENCH_PROMOTION)).document, scope);
    await scope.insert("promotion", { slug, name: document.name, document: JSON.stringify(document) }).execute();
  } finally {
    await demo.close();
  }
}
