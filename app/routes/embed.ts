import { embedPage } from "../../server/review/embedPage";
import { embeddedFile } from "../../server/review/embedded";
import type { Route } from "./+types/embed";

/** What another site shows in a frame: a film and nothing else. */
export async function loader({ params: { token, format } }: Route.LoaderArgs) {
  const film = await embeddedFile(token, format);
  return embedPage(film && { name: film.name, address: `/embed/${token}/${format}/film` });
}
