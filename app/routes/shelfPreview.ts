import { requirePerson } from "../../server/auth/sessions";
import { fileResponse } from "../../server/fileResponse";
import { shelfPreview } from "../../server/shelf/shelfFiles";
import { shelfItem } from "../../server/shelf/shelfItems";
import type { Route } from "./+types/shelfPreview";

/** An item of the shelf, small: made the first time someone looks. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  await requirePerson(request);
  const item = shelfItem(slug);
  if (!item) throw new Response("There is no such item on the shelf.", { status: 404 });
  // A clip's still is its first frame, drawn by the same motif.
  const still = item.recipe.kind === "clip" && new URL(request.url).searchParams.has("still");
  const { path, type, etag } = await shelfPreview(still ? { ...item.recipe, kind: "picture" } : item.recipe);
  return fileResponse(request, path, { type, etag });
}
