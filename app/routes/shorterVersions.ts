import { requireEditor } from "../../server/auth/sessions";
import { isRefusal } from "../../server/edits/applyEach";
import { makeShorter, shorterIntent, takeOverLonger } from "../../server/promotions/shorterVersions";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/shorterVersions";

/** Makes a shorter version of a promotion, or brings into one what was changed in the longer. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, ...member } = await requireEditor(request);
  try {
    const sent: unknown = await jsonOf(request);
    const { intent } = shorterIntent.validateSync(sent);
    if (intent === "make") return Response.json(await makeShorter(scope, slug, sent, member), { status: 201 });
    return Response.json({ refused: (await takeOverLonger(scope, slug, member))?.refused ?? [] });
  } catch (error) {
    if (isRefusal(error)) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
