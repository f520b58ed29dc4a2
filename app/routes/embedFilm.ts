import { fileResponse } from "../../server/fileResponse";
import { finishedRendition } from "../../server/render/finished";
import { embeddedFile } from "../../server/review/embedded";
import type { Route } from "./+types/embedFilm";

/** The film that another site shows in a frame. */
export async function loader({ request, params: { token, format } }: Route.LoaderArgs) {
  const film = await embeddedFile(token, format);
  if (!film) throw new Response("This is not shown any more.", { status: 404 });
  const { path, type } = await finishedRendition(film.scope, film.id);
  return fileResponse(request, path, { type });
}
