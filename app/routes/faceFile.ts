import { requirePerson } from "../../server/auth/sessions";
import { fontBytes } from "../../server/faces/faceFiles";
import { parseOwnFileId } from "../../server/faces/ownFonts";
import type { Route } from "./+types/faceFile";

const missing = (): Response => new Response("There is no such font file.", { status: 404 });

/** A font file, opened: the very bytes the renderer uses. A team's own fonts are for its people only. */
export async function loader({ request, params: { stem, subset, weight } }: Route.LoaderArgs) {
  const id = `${stem}/${subset}/${weight}`;
  const own = parseOwnFileId(id);
  if (own) {
    const { scope } = await requirePerson(request);
    if (!(await scope.select("font").select("id").where("sha256", "=", own.sha256).executeTakeFirst())) throw missing();
  }
  const bytes = await fontBytes(id).catch(() => {
    throw missing();
  });
  const cache = own ? "private, max-age=31536000, immutable" : "public, max-age=31536000, immutable";
  return new Response(new Uint8Array(bytes), { headers: { "content-type": "font/ttf", "cache-control": cache } });
}
