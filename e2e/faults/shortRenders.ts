import { randomUUID } from "node:crypto";
import { type FormatName, USUAL_FORMATS } from "../../core/placement/formats";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { filesIn, requestRender } from "../../server/render/renditions";
import { query } from "../query";
import { putShortPromotion } from "../shortPromotion";
import { storedPromotion } from "../storedPromotion";

/** Has a short promotion rendered, at full size. Gives the renditions' ids. */
export async function shortRenders(
  name: string,
  formats: readonly FormatName[] = USUAL_FORMATS,
): Promise<readonly string[]> {
  // Of this run alone: what looks the same as before is not painted again.
  const slug = `${name}-${randomUUID().slice(0, 8)}`;
  await putShortPromotion(slug);
  const { scope } = await storedPromotion(slug);
  const answer = await requestRender(scope, await promotionBySlug(scope, slug), {
    files: filesIn(formats, "1080p"),
    letPass: { by: "Imre Vass", reason: "Short on purpose" },
  });
  if (!("render" in answer)) throw new Error("It was blocked.");
  const made = await query<{ id: string }>("select id from rendition where render_id = $1", [answer.render]);
  return made.map(({ id }) => id);
}
