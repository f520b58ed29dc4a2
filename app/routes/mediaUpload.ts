import { requireEditor } from "../../server/auth/sessions";
import { receiveMedia } from "../../server/media/receive";
import { UploadProblem } from "../../server/media/uploadProblem";
import type { Route } from "./+types/mediaUpload";

/** Takes one file as the body of the request, streamed to disk; its name is in the address. */
export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const name = new URL(request.url).searchParams.get("name") ?? "";
  try {
    return Response.json(await receiveMedia(scope, name, request.body), { status: 201 });
  } catch (error) {
    if (error instanceof UploadProblem) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
