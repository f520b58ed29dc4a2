import { requireDesigner } from "../../server/auth/sessions";
import { UploadProblem } from "../../server/media/uploadProblem";
import { importPackage } from "../../server/templates/importPackage";
import type { Route } from "./+types/templateImport";

/** Takes a template package as the body of the request; its name is in the address. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requireDesigner(request);
  try {
    return Response.json(
      await importPackage(scope, id, new URL(request.url).searchParams.get("name") ?? "", request.body),
      { status: 201 },
    );
  } catch (error) {
    if (error instanceof UploadProblem) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
