import { isDeepStrictEqual } from "node:util";
import { type FormatName } from "../../core/placement/formats";
import { paintedWhole } from "../../core/scene/paintedText";
import { type TeamScope } from "../db/teamScope";
import { preparedInput } from "../render/preparedInput";
import { readRenderInput, type RenderInput } from "../render/renderInput";
import { storedFormat } from "../render/storedFormat";
import { enqueue } from "../jobs/enqueue";
import { namesAny } from "../usage/namesAny";
import { checkApprovals } from "../review/promotionReview";
import { loadRenderInput } from "./loadFacts";

/** So many renders are compared while somebody waits for an answer; more are compared by a job. */
const MOST_AT_ONCE = 12;

/** How many renditions are newly marked as out of date, or that it is being found out. */
export type Marked = number | "later";

/**
 * As `compareRenders`, at once where that takes no time; else a job does it, and gives "later".
 */
export async function markOutdated(scope: TeamScope, promotionIds: readonly string[], reason: string): Promise<Marked> {
  if (promotionIds.length === 0) return 0;
  const { count } = await scope
    .select("render")
    .select((eb) => eb.fn.countAll<string>().as("count"))
    .where("promotion_id", "in", [...promotionIds])
    .executeTakeFirstOrThrow();
  if (Number(count) <= MOST_AT_ONCE) return compareRenders(scope, promotionIds, reason);
  await enqueue(scope.connection, "compare-renders", { team: scope.teamId, promotions: [...promotionIds], reason });
  return "later";
}

/**
 * Compares the renders of promotions with what would be rendered now, after something they draw from has changed, and
 * marks their renditions as out of date with the reason; those that are the same again lose their mark. Gives how many
 * renditions are newly marked.
 */
export async function compareRenders(
  scope: TeamScope,
  promotionIds: readonly string[],
  reason: string,
): Promise<number> {
  const renders = await scope
    .select("render")
    .select(["id", "input"])
    .where("promotion_id", "in", [...promotionIds])
    .execute();
  let marked = 0;
  for (const { id, input } of renders) {
    const then = readRenderInput(input);
    const now = await loadRenderInput(scope, then.document).catch(() => null);
    // What is the same to begin with need not be prepared to see that it is painted the same.
    const isSame = now !== null && isDeepStrictEqual(JSON.parse(JSON.stringify(now)), then);
    const renditions = await scope
      .select("rendition")
      .select(["id", "format", "outdated_by"])
      .where("render_id", "=", id)
      .execute();
    for (const rendition of renditions) {
      const isCurrent = isSame || (now !== null && (await paintsTheSame(then, now, storedFormat(rendition.format))));
      if (isCurrent === (rendition.outdated_by === null)) continue;
      const outdated_by = isCurrent ? null : reason;
      await scope.update("rendition").set({ outdated_by }).where("id", "=", rendition.id).execute();
      if (!isCurrent) marked++;
    }
  }
  await checkApprovals(scope, promotionIds);
  return marked;
}

/** Whether a format of a promotion would be painted as it was. */
async function paintsTheSame(then: RenderInput, now: RenderInput, format: FormatName): Promise<boolean> {
  const painted = async (input: RenderInput): Promise<string> =>
    paintedWhole(await preparedInput(input, format), input.hashes);
  return (await painted(then)) === (await painted(now));
}

/** As `markOutdated`, for the promotions whose documents name something that has changed. */
export async function markNaming(scope: TeamScope, ids: readonly string[], reason: string): Promise<Marked> {
  const naming = await scope.select("promotion").select("id").where(namesAny("document", ids)).execute();
  return markOutdated(
    scope,
    naming.map(({ id }) => id),
    reason,
  );
}
