import { requirePerson } from "../../server/auth/sessions";
import { exportPackage } from "../../server/templates/exportPackage";
import type { Route } from "./+types/templatePackage";

/** A template as a package to keep or to give away. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, id } = await requirePerson(request);
  const { name, stream } = await exportPackage(scope, id, slug);
  return new Response(stream, {
    headers: { "content-type": "application/zip", "content-disposition": `attachment; filename="${name}"` },
  });
}
