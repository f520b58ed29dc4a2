import { emojiFile } from "../../server/faces/emojiFiles";
import { fileResponse } from "../../server/fileResponse";
import type { Route } from "./+types/emojiPicture";

export async function loader({ request, params: { code, level } }: Route.LoaderArgs) {
  const path = await emojiFile(code, Number(level)).catch(() => {
    throw new Response("There is no such emoji picture.", { status: 404 });
  });
  return fileResponse(request, path, { type: "image/webp", immutable: true });
}
