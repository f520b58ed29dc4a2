import { type Facts, type MediaFacts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { readBrandBook } from "../../core/brand/book";
import { ownFamilies } from "../faces/ownFonts";
import { brandFacts } from "../brand/brandFacts";
import { offerLinesFor } from "../catalogue/offerOnProduct";
import { mainPictures } from "../catalogue/productPictures";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "../media/storedFacts";
import { type RenderInput } from "../render/renderInput";

/** Everything of the team that a document's frames can depend on, with the hash of each media item. */
export async function loadRenderInput(scope: TeamScope, document: Promotion): Promise<RenderInput> {
  const [team, brandRow, product, offer, own] = await Promise.all([
    scope.team().select("locale").executeTakeFirstOrThrow(),
    scope.brands().selectAll().where("id", "=", document.brand).executeTakeFirstOrThrow(),
    document.product ? scope.products().selectAll().where("id", "=", document.product).executeTakeFirst() : undefined,
    document.offer ? scope.offers().selectAll().where("id", "=", document.offer).executeTakeFirst() : undefined,
    ownFamilies(scope),
  ]);
  const brand = { id: brandRow.id, name: brandRow.name, book: readBrandBook(brandRow.book) };
  const picture = product ? ((await mainPictures(scope, [product.id])).get(product.id) ?? null) : null;
  const used = new Set([
    ...Object.values(document.fills).flatMap((fill) => (fill.kind === "media" ? [fill.media] : [])),
    ...brand.book.logos.map(({ media }) => media),
    ...[document.tune, picture].filter((id) => id !== null),
  ]);
  const rows = used.size > 0 ? await scope.media().selectAll().where("id", "in", [...used]).where("state", "=", "ready").execute() : [];
  const media: Record<string, MediaFacts> = {};
  const hashes: Record<string, string> = {};
  for (const row of rows) {
    const facts = mediaFacts(row);
    if (!facts) continue;
    media[row.id] = facts;
    hashes[row.id] = row.sha256;
  }
  const facts: Facts = {
    brand: brandFacts(brand, media, own),
    product: product ? { id: product.id, name: product.name, line: product.line, picture } : null,
    offer: product && offer ? await offerLinesFor(scope, product, offer, team.locale) : null,
    media,
  };
  return { document, facts, hashes };
}
