import { requirePerson } from "../../server/auth/sessions";
import { calendarFile, postCalendar } from "../../server/channels/postCalendar";
import type { Route } from "./+types/channelsIcs";

/** A team's posts and offers for other calendars. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const address = (slug: string): string => new URL(`/promotions/${slug}/post`, request.url).href;
  const file = calendarFile(await postCalendar(scope, new Date()), { team: team.name, zone: team.zone, address });
  return new Response(file, {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": 'attachment; filename="posts.ics"',
    },
  });
}
