import { requirePerson } from "../../server/auth/sessions";
import { zipRender } from "../../server/render/finished";
import type { Route } from "./+types/renderZip";

/** All finished renditions of a render in one zip, with a manifest. */
export async function loader({ request, params: { id } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { name, stream } = await zipRender(scope, id);
  return new Response(stream, {
    headers: { "content-type": "application/zip", "content-disposition": `attachment; filename="${name}"` },
  });
}
