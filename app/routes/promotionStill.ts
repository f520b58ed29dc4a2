import { isFormatName } from "../../core/placement/formats";
import { requirePerson } from "../../server/auth/sessions";
import { fileResponse } from "../../server/fileResponse";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { stillStamp } from "../../server/promotions/stillStamp";
import { stillFile } from "../../server/render/stillFile";
import type { Route } from "./+types/promotionStill";

/**
 * A small still of a promotion in a format, by the renderer. `?scene=2` picks the scene; the first by default. `?large`
 * has it twice as large. Asked for with
 * the revision and the stamp of how it looks, it never changes under that address.
 */
export async function loader({ request, params: { slug, format } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  if (!isFormatName(format)) throw new Response("There is no such format.", { status: 404 });
  const params = new URL(request.url).searchParams;
  const scene = Number(params.get("scene") ?? 1);
  const { document, revision } = await promotionBySlug(scope, slug);
  const size = params.has("large") ? "large" : "small";
  const looks = `${revision}-${stillStamp(team)}`;
  const etag = `${slug}-${format}-${scene}-${size}-${looks}`;
  const immutable = `${params.get("revision")}-${params.get("as")}` === looks;
  if (request.headers.get("if-none-match") === `"${etag}"`)
    return new Response(null, { status: 304, headers: { etag: `"${etag}"`, "cache-control": "private, no-cache" } });
  return fileResponse(request, await stillFile(scope, document, { format, scene: scene - 1, size }), {
    type: "image/png",
    etag,
    immutable,
  });
}
