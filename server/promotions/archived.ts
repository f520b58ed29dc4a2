import { changeMany } from "./changeMany";
import { type TeamScope } from "../db/teamScope";

/** Takes promotions out of the lists of work. Everything of theirs stays. Gives how many there were of them. */
export const archivePromotions = (scope: TeamScope, ids: readonly string[]): Promise<number> =>
  changeMany(scope, ids, { archived_at: new Date() });

/** Puts archived promotions among the others again. */
export const restorePromotions = (scope: TeamScope, ids: readonly string[]): Promise<number> =>
  changeMany(scope, ids, { archived_at: null });

/** Removes promotions for good, with their versions and renders; only those that were archived before. */
export async function removeArchived(scope: TeamScope, ids: readonly string[]): Promise<number> {
  if (ids.length === 0) return 0;
  const { numDeletedRows } = await scope
    .remove("promotion")
    .where("id", "in", [...ids])
    .where("archived_at", "is not", null)
    .executeTakeFirstOrThrow();
  return Number(numDeletedRows);
}
