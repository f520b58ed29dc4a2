import { object, string } from "yup";
import { type Facts, type ProductFacts } from "../../core/document/facts";
import { recordSchema } from "../../core/recordSchema";
import { useLearnt } from "../components/useLearnt";

const product = object({ id: string().required(), name: string().required(), price: string().defined() });
const products = recordSchema(product.required());
const isProducts = (value: unknown): value is Facts["products"] => products.isValidSync(value);

const SOURCE = {
  address: "/catalogue/products/chosen",
  isAnswer: isProducts,
  learnt: new Map<string, ProductFacts>(),
};

/** What is known of the products that a page shows, as `useLearnt` says. */
export function useChosenProducts(
  ids: readonly string[],
  loaded: Facts["products"],
): { readonly products: Facts["products"]; readonly learn: (product: ProductFacts) => void } {
  const { known, learn } = useLearnt(ids, loaded, SOURCE);
  return { products: known, learn: (chosen) => learn(chosen.id, chosen) };
}
