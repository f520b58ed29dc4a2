import { type TeamScope } from "../db/teamScope";

/** What of promotions is changed beside their documents. */
type Change = { readonly archived_at: Date | null } | { readonly campaign: string };

/** Changes promotions of a team all alike. Gives how many there were of them. */
export async function changeMany(scope: TeamScope, ids: readonly string[], change: Change): Promise<number> {
  if (ids.length === 0) return 0;
  const { numUpdatedRows } = await scope
    .update("promotion")
    .set(change)
    .where("id", "in", [...ids])
    .executeTakeFirstOrThrow();
  return Number(numUpdatedRows);
}
