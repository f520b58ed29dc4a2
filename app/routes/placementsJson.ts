import { requirePerson } from "../../server/auth/sessions";
import { teamPlacements } from "../../server/placements/ownPlacements";
import type { Route } from "./+types/placementsJson";

/** A team's placements as a file, to be brought in elsewhere. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { placements } = await teamPlacements(scope);
  return new Response(`${JSON.stringify({ placements }, null, 2)}\n`, {
    headers: { "content-type": "application/json", "content-disposition": 'attachment; filename="placements.json"' },
  });
}
