import { requireDesigner } from "../../server/auth/sessions";
import { answerNewest, answerSave } from "../../server/edits/saveRequest";
import { draftBySlug, saveDraftEdits } from "../../server/templates/workshop";
import type { Route } from "./+types/templateEdits";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requireDesigner(request);
  const { revision, document } = await draftBySlug(scope, slug);
  return answerNewest({ revision, document });
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, name } = await requireDesigner(request);
  return answerSave(request, (sent) => saveDraftEdits(scope, slug, { ...sent, by: name }));
}
