import { type MediaFacts } from "../../core/document/facts";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "./storedFacts";

/** What is measured of media items, by id. Those that are not there, or not read in yet, are left out. */
export async function factsOf(scope: TeamScope, ids: readonly string[]): Promise<Map<string, MediaFacts>> {
  const rows =
    ids.length > 0
      ? await scope.kept(
          scope
            .media()
            .selectAll()
            .where("id", "in", [...ids]),
        )
      : [];
  const facts = rows.map(mediaFacts).filter((item) => item !== null);
  return new Map(facts.map((item) => [item.id, item]));
}
