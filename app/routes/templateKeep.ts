import { ValidationError } from "yup";
import { isRefusal } from "../../server/edits/applyEach";
import { requireDesigner } from "../../server/auth/sessions";
import { keepAsTemplate } from "../../server/templates/keepAsTemplate";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/templateKeep";

/** Keeps a promotion as a template of the team's own. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id } = await requireDesigner(request);
  try {
    return Response.json(await keepAsTemplate(scope, id, slug, await jsonOf(request)), { status: 201 });
  } catch (error) {
    if (isRefusal(error))
      return Response.json(
        { problem: error instanceof ValidationError ? error.errors.join(" ") : error.message },
        { status: 422 },
      );
    throw error;
  }
}
