import { useFetcher } from "react-router";
import { type Facts, type ProductFacts } from "../../core/document/facts";
import { useLearnt } from "../components/useLearnt";
import type { loader } from "../routes/productsChosen";

const learnt = new Map<string, ProductFacts>();

/** What is known of the products that a page shows, as `useLearnt` says. */
export function useChosenProducts(
  ids: readonly string[],
  loaded: Facts["products"],
): { readonly products: Facts["products"]; readonly learn: (product: ProductFacts) => void } {
  const { load, data } = useFetcher<typeof loader>();
  const { known, learn } = useLearnt(ids, loaded, { load, data, learnt, address: "/catalogue/products/chosen" });
  return { products: known, learn: (product) => learn(product.id, product) };
}
