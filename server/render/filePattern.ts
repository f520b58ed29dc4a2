import { patternProblem } from "../../core/output/fileName";
import { type TeamScope } from "../db/teamScope";

/** How a team's files are called; "" for as usual. */
export async function filePattern(scope: TeamScope): Promise<{ readonly pattern: string }> {
  return scope.team().select("file_pattern as pattern").executeTakeFirstOrThrow();
}

/** Has a team's files be called otherwise from now on, those that there are too. Gives what is wrong with it, or null. */
export async function saveFilePattern(scope: TeamScope, pattern: string): Promise<string | null> {
  const problem = patternProblem(pattern);
  if (problem === null)
    await scope.connection.updateTable("team").set({ file_pattern: pattern }).where("id", "=", scope.teamId).execute();
  return problem;
}
