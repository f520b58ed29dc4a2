import { fileResponse } from "../../server/fileResponse";
import { finishedRendition } from "../../server/render/finished";
import { requireShared } from "../../server/review/guest";
import { requireOwnRendition } from "../../server/review/reviewed";
import type { Route } from "./+types/sharedFile";

/** A rendition of what a link shows, to play or, with `?save`, to download. Nothing of it is kept once the link is closed. */
export async function loader({ request, params: { token, id } }: Route.LoaderArgs) {
  const { scope, promotion } = await requireShared(request, token);
  await requireOwnRendition(scope, promotion, id);
  const { path, name, type } = await finishedRendition(scope, id);
  const save = new URL(request.url).searchParams.has("save");
  return fileResponse(request, path, { type, ...(save ? { saveAs: name } : {}) });
}
