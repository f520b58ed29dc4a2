import { CAPTION_FILES } from "../../core/captions/writeCaptions";
import { requirePerson } from "../../server/auth/sessions";
import { renderCaptions } from "../../server/render/renderCaptions";
import type { Route } from "./+types/renderCaptions";

/** The captions of a render in a language, as a file to go beside its videos: `en.vtt`, `de.srt`. */
export async function loader({ request, params: { id, file } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const [language = "", ending = ""] = file.split(".");
  const kind = CAPTION_FILES.find((one) => one === ending);
  if (!kind) throw new Response("Captions are written as .vtt or .srt.", { status: 404 });
  const { type, body, name } = await renderCaptions(scope, { render: id, language, kind });
  return new Response(body, {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
}
