import sharp, { type OverlayOptions } from "sharp";
import { newPromotion } from "../../core/document/newPromotion";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { formatsInOrder } from "../../core/document/formatList";
import { formatOf } from "../../core/placement/formats";
import { settledTime } from "../../core/scene/preparePromotion";
import { type StoredBrand } from "../brand/brandFacts";
import { readOffer } from "../catalogue/offerOnProduct";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { firstFills, samplesFor } from "../promotions/samples";
import { type OfferedTemplate } from "../templates/templateStore";
import { inScope } from "../../core/offer/scope";
import { openFrameSource } from "./frameSource";
import { ticksOf } from "../../core/time/ticks";
import { readStored } from "../promotions/readStored";

const ROW_HEIGHT = 420;
const GAP = 24;
/** The neutral grey that proofs stand on. */
const GREY = "#8a8c89";

/** One PNG with every scene of a template, a row each, in every format, at its settled moment, in a brand. */
export async function contactSheet(scope: TeamScope, template: OfferedTemplate, brand: StoredBrand): Promise<Buffer> {
  const input = await loadRenderInput(scope, await sampleDocument(scope, template, brand));
  const { spans } = resolvePromotion(input.document, input.facts);
  const formats = formatsInOrder(input.document);
  const widths = formats.map((format) => Math.round((formatOf(format).width * ROW_HEIGHT) / formatOf(format).height));
  const tiles: OverlayOptions[] = [];
  for (const [column, format] of formats.entries()) {
    const source = await openFrameSource(
      input,
      { format, quality: "480p" },
      { width: widths[column] ?? 0, height: ROW_HEIGHT },
    );
    try {
      const left = GAP + widths.slice(0, column).reduce((sum, width) => sum + width + GAP, 0);
      for (const [row, span] of spans.entries())
        tiles.push({
          input: await source.pngAt(ticksOf(settledTime(span))),
          left,
          top: GAP + row * (ROW_HEIGHT + GAP),
        });
    } finally {
      source.stop();
    }
  }
  const width = GAP + widths.reduce((sum, one) => sum + one + GAP, 0);
  return sharp({ create: { width, height: GAP + spans.length * (ROW_HEIGHT + GAP), channels: 3, background: GREY } })
    .composite(tiles)
    .png()
    .toBuffer();
}

/** The newest promotion of the brand in this template, else a new one with a product that an offer is for. */
export async function sampleDocument(
  scope: TeamScope,
  { ref, template }: OfferedTemplate,
  brand: StoredBrand,
): Promise<Promotion> {
  const rows = await scope.select("promotion").select("document").orderBy("updated_at", "desc").execute();
  const documents = rows.map(({ document }) => readStored(document));
  const own = documents.find((document) => document.brand === brand.id && document.template.slug === ref.slug);
  if (own) return own;
  const [products, offers] = await Promise.all([
    scope.select("product").select(["id", "tags"]).orderBy("name").limit(200).execute(),
    scope.select("offer").selectAll().orderBy("starts_at").execute(),
  ]);
  // What the brand's other promotions are about is what it sells.
  const about = documents.find((document) => document.brand === brand.id);
  const pair = about?.product
    ? { product: about.product, offer: about.offer }
    : offers.flatMap((offer) =>
        products
          .filter((product) => inScope(readOffer(offer).scope, product))
          .map((product) => ({ offer: offer.id, product: product.id })),
      )[0];
  const product = pair?.product ?? products[0]?.id ?? null;
  return newPromotion(ref, template, {
    name: template.name,
    brand: brand.id,
    product,
    offer: pair?.offer ?? null,
    fills: firstFills(template, await samplesFor(scope, product)),
  });
}
