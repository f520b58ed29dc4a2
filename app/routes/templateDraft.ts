import { ValidationError, number, object } from "yup";
import { jsonPointer } from "../../core/document/templateSchema";
import { requireDesigner } from "../../server/auth/sessions";
import { saveDraft } from "../../server/templates/workshop";
import type { Route } from "./+types/templateDraft";

const envelope = object({ base: number().integer().min(1).required() });

/** Autosave of the workshop: a whole draft with the revision it was made on. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope } = await requireDesigner(request);
  try {
    const body: unknown = await request.json();
    const { base } = envelope.validateSync(body);
    const result = await saveDraft(
      scope,
      slug,
      base,
      typeof body === "object" && body !== null && "draft" in body ? body.draft : undefined,
    );
    return Response.json(result, { status: result.kind === "saved" ? 200 : 409 });
  } catch (error) {
    if (error instanceof ValidationError) {
      const [first = error] = error.inner;
      return Response.json({ problem: `not saved: ${first.message} (${jsonPointer(first.path)})` }, { status: 422 });
    }
    if (error instanceof TypeError || error instanceof SyntaxError)
      return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
