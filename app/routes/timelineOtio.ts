import { resolvePromotion } from "../../core/document/resolve";
import { RATES, USUAL_RATE, isRate } from "../../core/output/rates";
import { otioTimeline } from "../../core/timeline/otio";
import { requirePerson } from "../../server/auth/sessions";
import { loadRenderInput } from "../../server/promotions/loadFacts";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { slugOf } from "../../core/text/slug";
import type { Route } from "./+types/timelineOtio";

/** A promotion's timeline for video editors, in OpenTimelineIO's JSON; `?rate=25` says how many frames a second. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { document } = await promotionBySlug(scope, slug);
  const asked = new URL(request.url).searchParams.get("rate");
  const rate = RATES[isRate(asked) ? asked : USUAL_RATE];
  const { facts } = await loadRenderInput(scope, document);
  const files = Object.fromEntries(Object.values(facts.media).map(({ id, name }) => [id, name]));
  const timeline = otioTimeline(document.name, resolvePromotion(document, facts), { rate, files });
  return new Response(`${JSON.stringify(timeline, null, 2)}\n`, {
    headers: {
      "content-type": "application/json",
      "content-disposition": `attachment; filename="${slugOf(document.name)}.otio"`,
    },
  });
}
