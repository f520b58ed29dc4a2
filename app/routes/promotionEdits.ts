import { ValidationError, number, object } from "yup";
import { editList } from "../../core/document/edit";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { promotionBySlug, saveEdits } from "../../server/promotions/promotionStore";
import type { Route } from "./+types/promotionEdits";

const envelope = object({ base: number().integer().min(1).required() });

/** The promotion as it is now, for a desk that has heard of a newer revision. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { revision, document } = await promotionBySlug(scope, slug);
  return Response.json({ revision, document }, { headers: { "cache-control": "no-store" } });
}

/** Autosave: edits with the revision they were made on. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, ...member } = await requireEditor(request);
  try {
    const body: unknown = await request.json();
    const { base } = envelope.validateSync(body);
    const edits = editList(typeof body === "object" && body !== null && "edits" in body ? body.edits : undefined);
    return Response.json(await saveEdits(scope, slug, { base, edits, member }));
  } catch (error) {
    if (
      error instanceof ValidationError ||
      error instanceof TypeError ||
      error instanceof SyntaxError ||
      error instanceof RangeError
    )
      return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
