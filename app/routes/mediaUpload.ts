import { requireEditor } from "../../server/auth/sessions";
import { answerUpload } from "../../server/media/resumableUploads";
import type { Route } from "./+types/mediaUpload";

/** Takes files in, part by part where the line is cut: see `answerUpload`. */
export async function action({ request }: Route.ActionArgs) {
  return answerUpload(request, await requireEditor(request));
}

/** How much of a file is here. */
export const loader = action;
