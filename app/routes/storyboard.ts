import { requirePerson } from "../../server/auth/sessions";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { slugOf } from "../../core/text/slug";
import { storyboardPdf } from "../../server/render/storyboard";
import type { Route } from "./+types/storyboard";

/** A promotion's scenes on paper. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { document } = await promotionBySlug(scope, slug);
  return new Response(new Uint8Array(await storyboardPdf(scope, document)), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="${slugOf(document.name)}-storyboard.pdf"`,
    },
  });
}
