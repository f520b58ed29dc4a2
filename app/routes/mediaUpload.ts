import { isSlotKey } from "../../core/document/sceneTemplate";
import { requireEditor } from "../../server/auth/sessions";
import { receiveMedia } from "../../server/media/receive";
import { awaitFill } from "../../server/promotions/awaitedFills";
import { UploadProblem } from "../../server/media/uploadProblem";
import type { Route } from "./+types/mediaUpload";

/**
 * Takes one file as the body of the request, streamed to disk; its name is in the address. `again` adds it although it is
 * here already, `replace` names the item whose file it is to be, `logo` marks it as a logo; `promotion` and `slot` say where
 * it is to be shown once it has been read in.
 */
export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requireEditor(request);
  const params = new URL(request.url).searchParams;
  try {
    const received = await receiveMedia(scope, params.get("name") ?? "", request.body, {
      again: params.has("again"),
      replace: params.get("replace"),
      isLogo: params.has("logo"),
    });
    const [promotion, slot] = [params.get("promotion"), params.get("slot")];
    if (!received.known && promotion !== null && slot !== null && isSlotKey(slot))
      await awaitFill(scope, received.id, { promotion, slot }, id);
    return Response.json(received, { status: received.known ? 200 : 201 });
  } catch (error) {
    if (error instanceof UploadProblem) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
