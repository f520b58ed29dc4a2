import { type TeamScope } from "../db/teamScope";

/** Takes promotions out of the lists of work. Everything of theirs stays. Gives how many there were of them. */
export const archivePromotions = (scope: TeamScope, ids: readonly string[]): Promise<number> =>
  setArchived(scope, ids, new Date());

/** Puts archived promotions among the others again. */
export const restorePromotions = (scope: TeamScope, ids: readonly string[]): Promise<number> =>
  setArchived(scope, ids, null);

async function setArchived(scope: TeamScope, ids: readonly string[], archived_at: Date | null): Promise<number> {
  if (ids.length === 0) return 0;
  const { numUpdatedRows } = await scope
    .update("promotion")
    .set({ archived_at })
    .where("id", "in", [...ids])
    .executeTakeFirstOrThrow();
  return Number(numUpdatedRows);
}

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
