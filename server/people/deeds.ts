import { type TeamScope } from "../db/teamScope";

const A_PAGE = 30;

/** Something that somebody of a team did. */
export interface Deed {
  readonly id: string;
  readonly by: string;
  /** What, in words that go on after the name: “took Rosa out of the team”. */
  readonly did: string;
  readonly at: Date;
}

/**
 * Notes what somebody did, for the owners of the team to read. What is changed of a promotion's document is not noted here:
 * its history tells that.
 *
 * @param did words that go on after the name
 */
export async function noteDeed(scope: TeamScope, by: string, did: string): Promise<void> {
  await scope.insert("deed", { by, did }).execute();
}

/** What was done in a team, the newest first. @param before only what was done before that deed; "" for all */
export async function deedsOf(
  scope: TeamScope,
  before = "",
): Promise<{ readonly deeds: Deed[]; readonly more: boolean }> {
  let query = scope
    .select("deed")
    .select(["id", "by", "did", "at"])
    .orderBy("id", "desc")
    .limit(A_PAGE + 1);
  if (/^\d{1,18}$/.test(before)) query = query.where("id", "<", before);
  const rows = await query.execute();
  return { deeds: rows.slice(0, A_PAGE), more: rows.length > A_PAGE };
}
