import { type ReviewState } from "../../core/review/reviewState";
import { type TeamScope } from "../db/teamScope";
import { enqueue } from "../jobs/enqueue";

/** Whether an approval of a promotion has to be looked at again when something changes. */
export const isApproved = (state: ReviewState): boolean => state === "approved" || state === "lapsed";

/** Has an approval be compared, by a job, with what a promotion has become; nothing where there is none. */
export async function askForCheck(
  scope: TeamScope,
  { id, review }: { readonly id: string; readonly review: ReviewState },
): Promise<void> {
  if (isApproved(review)) await enqueue(scope.connection, "check-approval", { team: scope.teamId, promotion: id });
}
