import { fontBytes } from "../../server/faces/faceFiles";
import type { Route } from "./+types/faceFile";

/** A shipped font file, opened: the very bytes the renderer uses. */
export async function loader({ params: { stem, subset, weight } }: Route.LoaderArgs) {
  const bytes = await fontBytes(`${stem}/${subset}/${weight}`).catch(() => {
    throw new Response("There is no such font file.", { status: 404 });
  });
  return new Response(new Uint8Array(bytes), { headers: { "content-type": "font/ttf", "cache-control": "public, max-age=31536000, immutable" } });
}
