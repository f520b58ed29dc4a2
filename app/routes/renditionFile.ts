import { requirePerson } from "../../server/auth/sessions";
import { fileResponse } from "../../server/fileResponse";
import { finishedRendition } from "../../server/render/finished";
import type { Route } from "./+types/renditionFile";

/** A finished rendition, to play or, with `?save`, to download. */
export async function loader({ request, params: { id } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { path, name, type } = await finishedRendition(scope, id);
  const save = new URL(request.url).searchParams.has("save");
  return fileResponse(request, path, { type, immutable: true, ...(save ? { saveAs: name } : {}) });
}
