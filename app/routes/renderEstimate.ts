import { requirePerson } from "../../server/auth/sessions";
import { loadRenderInput } from "../../server/promotions/loadFacts";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { choosableOf } from "../../server/render/choosable";
import { estimateRender } from "../../server/render/estimate";
import { readRenderWish } from "../../server/render/readRenderWish";
import type { Route } from "./+types/renderEstimate";

/** How much of a render would be new, and about how long and how large it would be. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { document } = await promotionBySlug(scope, slug);
  const input = await loadRenderInput(scope, document);
  const wish = await readRenderWish(new URL(request.url).searchParams, await choosableOf(scope, input));
  if (!wish.ok) return Response.json({ problems: wish.problems }, { status: 422 });
  return Response.json(await estimateRender(scope, input, wish.values.files));
}
