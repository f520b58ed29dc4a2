import { isFormatName } from "../../core/placement/formats";
import { fileResponse } from "../../server/fileResponse";
import { requireShared } from "../../server/review/guest";
import { posterOf } from "../../server/review/posterOf";
import type { Route } from "./+types/sharedPoster";

/** What is seen of a shared promotion in a format until it plays. */
export async function loader({ request, params: { token, format } }: Route.LoaderArgs) {
  const { scope, promotion } = await requireShared(request, token);
  if (!isFormatName(format)) throw new Response("There is no such format.", { status: 404 });
  return fileResponse(request, await posterOf(scope, promotion, format), { type: "image/png" });
}
