import { requirePerson } from "../../server/auth/sessions";
import { answerWorkingCopy } from "../../server/media/mediaFile";
import type { Route } from "./+types/mediaFile";

/** A working copy of a media item of the team: `level-2`, `proxy`, `strip`, `sound`, `samples` or `tones`. */
export async function loader({ request, params: { id, file } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  return answerWorkingCopy(request, scope, { id, file });
}
