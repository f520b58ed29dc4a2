import { requirePerson } from "../../server/auth/sessions";
import { todayIn } from "../../server/media/mediaList";
import { offeredMedia, readOfferQuery } from "../../server/media/offeredMedia";
import type { Route } from "./+types/mediaOffered";

/** What may be chosen where a picture or clip is asked for, what fits first. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return offeredMedia(scope, readOfferQuery(new URL(request.url).searchParams), todayIn(team.zone));
}
