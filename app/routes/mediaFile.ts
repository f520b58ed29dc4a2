import { requirePerson } from "../../server/auth/sessions";
import { fileResponse } from "../../server/fileResponse";
import { mediaFilePath } from "../../server/media/mediaFile";
import type { Route } from "./+types/mediaFile";

/** A working copy of a media item of the team: `level-2`, `proxy`, `strip`, `sound`, `samples` or `tones`. */
export async function loader({ request, params: { id, file } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { path, type, etag } = await mediaFilePath(scope, id, file);
  return fileResponse(request, path, { type, etag });
}
