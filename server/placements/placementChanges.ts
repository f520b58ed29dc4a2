import { sql } from "kysely";
import { Refusal } from "../../core/refusal";
import { PLACEMENTS, type Placement } from "../../core/placement/placements";
import { readPlacements } from "../../core/placement/placementSchema";
import { type TeamScope } from "../db/teamScope";
import { parseJson } from "../doors/readBody";
import { markOutdated } from "../promotions/outdated";
import { teamPlacements } from "./ownPlacements";

const MOST_OWN = 100;

/** Keeps placements as a team wants them; those with an id that there is take its place. */
export async function savePlacements(scope: TeamScope, placements: readonly Placement[]): Promise<void> {
  const { changed } = await teamPlacements(scope);
  if (new Set([...changed, ...placements.map(({ id }) => id)]).size > MOST_OWN)
    throw new Refusal(`A team has at most ${MOST_OWN} placements of its own. Take out those nobody needs.`);
  if (placements.length === 0) return;
  await scope
    .insert(
      "placement",
      placements.map((placement) => ({ slug: placement.id, document: JSON.stringify(placement) })),
    )
    .onConflict((conflict) =>
      conflict.columns(["team_id", "slug"]).doUpdateSet((eb) => ({ document: eb.ref("excluded.document") })),
    )
    .execute();
  await lookAgain(
    scope,
    placements.map(({ id }) => id),
  );
}

/** Takes a placement out of a team's. Promotions go on naming it, and nothing is asked of it. */
export async function takeOutPlacement(scope: TeamScope, id: string): Promise<void> {
  if (PLACEMENTS.some((placement) => placement.id === id))
    await scope
      .insert("placement", { slug: id, document: null })
      .onConflict((conflict) => conflict.columns(["team_id", "slug"]).doUpdateSet({ document: null }))
      .execute();
  else await scope.remove("placement").where("slug", "=", id).execute();
  await lookAgain(scope, [id]);
}

/** Has a placement be as it ships again. */
export async function asItShips(scope: TeamScope, id: string): Promise<void> {
  await scope.remove("placement").where("slug", "=", id).execute();
  await lookAgain(scope, [id]);
}

/** Keeps all placements of a file. Throws a Refusal with what is wrong with it; then nothing of it is kept. */
export async function importPlacements(scope: TeamScope, text: string): Promise<number> {
  const placements = readPlacements(parseJson(text, "The file"));
  await savePlacements(scope, placements);
  return placements.length;
}

/** What is drawn over a promotion decides where its captions stand. */
async function lookAgain(scope: TeamScope, ids: readonly string[]): Promise<void> {
  const naming = await scope
    .select("promotion")
    .select("id")
    .where(sql<boolean>`document -> 'placements' ?| ${sql.val([...ids])}::text[]`)
    .execute();
  await markOutdated(
    scope,
    naming.map(({ id }) => id),
    "a placement was changed",
  );
}
