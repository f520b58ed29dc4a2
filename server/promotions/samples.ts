import { sql } from "kysely";
import { type MediaFacts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { sampleFills } from "../../core/document/sample";
import { type Template } from "../../core/document/template";
import { picturesOf } from "../catalogue/productPictures";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "../media/storedFacts";

/** Media at hand for slots that would be empty, the most fitting first. */
export interface Samples {
  readonly media: readonly MediaFacts[];
  readonly hasProductPicture: boolean;
}

const MOST_SAMPLES = 40;

/** Pictures and clips for a product: more of its own first, then those of products that share a tag, then the newest. */
export async function samplesFor(scope: TeamScope, productId: string | null): Promise<Samples> {
  const pictures = productId ? await picturesOf(scope, productId) : [];
  const near = productId ? [...pictures, ...(await relatedPictures(scope, productId))] : [];
  const ready = () =>
    scope.media().selectAll().where("state", "=", "ready").where("is_logo", "=", false).where("kind", "!=", "sound");
  const [newest, own] = await Promise.all([
    scope.kept(ready().orderBy("created_at", "desc").orderBy("id").limit(MOST_SAMPLES)),
    near.length > 0 ? scope.kept(ready().where("id", "in", near)) : [],
  ]);
  const rows = [...own, ...newest.filter(({ id }) => !near.includes(id))];
  const facts = rows.map(mediaFacts).filter((item) => item !== null);
  const place = (id: string): number => (near.includes(id) ? near.indexOf(id) : near.length);
  // The main picture is shown already where a slot takes the product's.
  const sorted = [...facts]
    .sort((one, other) => place(one.id) - place(other.id))
    .filter(({ id }) => id !== pictures[0]);
  return { media: sorted.length > 0 ? sorted : facts, hasProductPicture: pictures.length > 0 };
}

/** Fills for the slots of a template that nothing else would fill. */
export const firstFills = (template: Template, { media, hasProductPicture }: Samples): Promotion["fills"] =>
  sampleFills(template, media, hasProductPicture);

/** Pictures of the products that share a tag with one. */
async function relatedPictures(scope: TeamScope, productId: string): Promise<string[]> {
  const [product] = await scope.kept(scope.select("product").select("tags").where("id", "=", productId));
  if (!product || product.tags.length === 0) return [];
  const rows = await scope.kept(
    scope
      .select("product_picture")
      .innerJoin("product", "product.id", "product_picture.product_id")
      .where(sql<boolean>`product.tags && ${product.tags}::text[]`)
      .where("product.id", "!=", productId)
      .select("product_picture.media_id")
      .orderBy("product.name")
      .orderBy("product_picture.position")
      .limit(MOST_SAMPLES),
  );
  return rows.map(({ media_id }) => media_id);
}
