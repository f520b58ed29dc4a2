import { sql } from "kysely";
import { type TeamScope } from "../db/teamScope";
import { readBrandBook } from "../../core/brand/book";

/** A place where a media item is used. */
export interface MediaUse {
  readonly what: "promotion" | "product" | "brand";
  readonly name: string;
  readonly to: string;
}

/** Everywhere an item is used: promotions, products, brand books. */
export async function whereUsed(scope: TeamScope, mediaId: string): Promise<MediaUse[]> {
  const [promotions, products, brands] = await Promise.all([
    scope
      .promotions()
      .select(["name", "slug"])
      .where(sql<boolean>`document::text like ${`%"${mediaId}"%`}`)
      .orderBy("name")
      .execute(),
    scope
      .products()
      .select(["name", "id"])
      .where("id", "in", scope.productPictures().select("product_id").where("media_id", "=", mediaId))
      .orderBy("name")
      .execute(),
    scope.brands().select(["name", "book"]).execute(),
  ]);
  return [
    ...promotions.map(({ name, slug }): MediaUse => ({ what: "promotion", name, to: `/promotions/${slug}` })),
    ...products.map(({ name, id }): MediaUse => ({ what: "product", name, to: `/catalogue?product=${id}` })),
    ...brands
      .filter(({ book }) => {
        const { logos, tune } = readBrandBook(book);
        return tune === mediaId || logos.some(({ media }) => media === mediaId);
      })
      .map(({ name }): MediaUse => ({ what: "brand", name: `the brand book of ${name}`, to: "/brand-book" })),
  ];
}

export const usesInWords = (uses: readonly MediaUse[]): string =>
  uses.map(({ what, name }) => (what === "brand" ? name : `the ${what} “${name}”`)).join(", ");
