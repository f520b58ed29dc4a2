import { redirect } from "react-router";
import { requireDesigner } from "../../server/auth/sessions";
import { loadWorkshop, publishDraft, removeTemplate } from "../../server/templates/workshop";
import { noteDeed } from "../../server/people/deeds";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/templateWorkshop";
import { Workshop } from "../workshop/Workshop";
import { DESK_FOOT } from "../components/foot";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, id } = await requireDesigner(request);
  return loadWorkshop(scope, id, slug);
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id, name } = await requireDesigner(request);
  const form = await formOf(request);
  const isRemoved = form.get("intent") === "remove";
  if (isRemoved) await removeTemplate(scope, slug);
  else await publishDraft(scope, id, slug);
  await noteDeed(scope, name, `${isRemoved ? "removed" : "published"} the template “${slug}”`);
  return redirect("/templates?shelf=own");
}

export const handle = DESK_FOOT;

export default function TemplateWorkshop({ loaderData, params }: Route.ComponentProps) {
  return <Workshop key={params.slug} {...loaderData} />;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
