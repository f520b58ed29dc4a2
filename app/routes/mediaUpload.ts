import { requireEditor } from "../../server/auth/sessions";
import { receiveMedia } from "../../server/media/receive";
import { UploadProblem } from "../../server/media/uploadProblem";
import type { Route } from "./+types/mediaUpload";

/**
 * Takes one file as the body of the request, streamed to disk; its name is in the address. `again` adds it although it is
 * here already, `replace` names the item whose file it is to be, `logo` marks it as a logo.
 */
export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const params = new URL(request.url).searchParams;
  try {
    const received = await receiveMedia(scope, params.get("name") ?? "", request.body, {
      again: params.has("again"),
      replace: params.get("replace"),
      isLogo: params.has("logo"),
    });
    return Response.json(received, { status: received.known ? 200 : 201 });
  } catch (error) {
    if (error instanceof UploadProblem) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
