import { type ProductFacts } from "../../core/document/facts";
import { type TeamScope } from "../db/teamScope";
import { isId } from "../ids";
import { SAID_OF_PRODUCT, type SaidOfProduct, productFacts } from "./productFacts";
import { countProducts, productsWith } from "./productList";
import { mainPictures } from "./productPictures";

/** More than anybody reads through: who wants another one types a word of it. */
const MOST_OFFERED = 40;
const MOST_ASKED = 400;
const MOST_WORDS = 100;

/** Products that have all of some words in their names, codes or tags, by name; the first of them, and how many there are. */
export async function offeredProducts(
  scope: TeamScope,
  words: string,
  locale: string,
): Promise<{ products: ProductFacts[]; count: number }> {
  const found = productsWith(scope, words.slice(0, MOST_WORDS));
  const [rows, count] = await Promise.all([
    scope.kept(found.select(SAID_OF_PRODUCT).orderBy("name").orderBy("id").limit(MOST_OFFERED)),
    countProducts(scope, found),
  ]);
  return { products: await withPictures(scope, rows, locale), count };
}

/** Products by their ids. Those that the team does not have are left out. */
export async function chosenProducts(
  scope: TeamScope,
  ids: readonly string[],
  locale: string,
): Promise<Record<string, ProductFacts>> {
  const asked = [...new Set(ids.filter(isId))].slice(0, MOST_ASKED);
  if (asked.length === 0) return {};
  const rows = await scope.kept(
    scope.select("product").select(SAID_OF_PRODUCT).where("id", "in", asked).orderBy("name"),
  );
  return Object.fromEntries((await withPictures(scope, rows, locale)).map((product) => [product.id, product]));
}

async function withPictures(scope: TeamScope, rows: readonly SaidOfProduct[], locale: string): Promise<ProductFacts[]> {
  const pictures = await mainPictures(
    scope,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => productFacts(row, pictures.get(row.id) ?? null, locale));
}
