import { requirePerson } from "../../server/auth/sessions";
import { listMedia, readMediaQuery, todayIn } from "../../server/media/mediaList";
import type { Route } from "./+types/mediaPage";

/** One page of a media search, as JSON. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return Response.json(await listMedia(scope, readMediaQuery(new URL(request.url).searchParams), todayIn(team.zone)), {
    headers: { "cache-control": "no-store" },
  });
}
