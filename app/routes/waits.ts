import { requirePerson } from "../../server/auth/sessions";
import { waitsOf } from "../../server/jobs/waits";
import type { Route } from "./+types/waits";

/** What the team's items wait behind, and about how long, in words, by id. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  return Response.json(await waitsOf(scope));
}
