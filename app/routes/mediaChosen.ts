import { requirePerson } from "../../server/auth/sessions";
import { todayIn } from "../../server/media/mediaList";
import { chosenMedia } from "../../server/media/offeredMedia";
import type { Route } from "./+types/mediaChosen";

/** What is known of the items whose ids are asked for. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return chosenMedia(scope, new URL(request.url).searchParams.getAll("id"), todayIn(team.zone));
}
