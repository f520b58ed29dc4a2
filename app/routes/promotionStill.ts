import { isFormatName } from "../../core/placement/formats";
import { requirePerson } from "../../server/auth/sessions";
import { fileResponse } from "../../server/fileResponse";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { stillFile } from "../../server/render/stillFile";
import type { Route } from "./+types/promotionStill";

/** A small still of a promotion in a format, by the renderer. `?scene=2` picks the scene; the first by default. */
export async function loader({ request, params: { slug, format } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  if (!isFormatName(format)) throw new Response("There is no such format.", { status: 404 });
  const scene = Number(new URL(request.url).searchParams.get("scene") ?? 1);
  const { document } = await promotionBySlug(scope, slug);
  return fileResponse(request, await stillFile(scope, document, format, scene - 1), { type: "image/png" });
}
