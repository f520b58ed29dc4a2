import { type TeamScope } from "../db/teamScope";

/**
 * The slugs that a team has given already. Until the end of the transaction nobody else gives one in the team, so that two
 * people who make something of one name at the same moment both get theirs.
 */
export async function takenSlugs(within: TeamScope, table: "promotion" | "template"): Promise<Set<string>> {
  await within.team().select("id").forNoKeyUpdate().execute();
  const rows = await within.select(table).select("slug").execute();
  return new Set(rows.map(({ slug }) => slug));
}
