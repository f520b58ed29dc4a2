import { requirePerson } from "../../server/auth/sessions";
import { isId } from "../../server/ids";
import type { Route } from "./+types/mediaState";

/** How far an item has been read in. */
export async function loader({ request, params: { id } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const item = isId(id) ? await scope.media().select("state").where("id", "=", id).executeTakeFirst() : undefined;
  if (!item) throw new Response("There is no such media item in your team.", { status: 404 });
  return Response.json(item);
}
