import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { answerNewest, answerSave } from "../../server/edits/saveRequest";
import { promotionBySlug, saveEdits } from "../../server/promotions/promotionStore";
import type { Route } from "./+types/promotionEdits";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { revision, document } = await promotionBySlug(scope, slug);
  return answerNewest({ revision, document });
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, ...member } = await requireEditor(request);
  return answerSave(request, (sent) => saveEdits(scope, slug, { ...sent, member }));
}
