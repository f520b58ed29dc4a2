import { array, object, string } from "yup";
import { Refusal } from "../refusal";

/** Which products an offer is for. */
export type OfferScope =
  | { readonly on: "all" }
  | { readonly on: "products"; readonly products: readonly string[] }
  | { readonly on: "tags"; readonly tags: readonly string[] };

export interface Scoped {
  readonly id: string;
  readonly tags: readonly string[];
}

export function inScope(scope: OfferScope, product: Scoped): boolean {
  switch (scope.on) {
    case "all":
      return true;
    case "products":
      return scope.products.includes(product.id);
    case "tags":
      return scope.tags.some((tag) => product.tags.includes(tag));
  }
}

const schemas = {
  all: object({
    on: string<"all">()
      .oneOf(["all"] as const)
      .required(),
  }),
  products: object({
    on: string<"products">()
      .oneOf(["products"] as const)
      .required(),
    products: array(string().uuid().required()).min(1, "Choose at least one product.").required(),
  }),
  tags: object({
    on: string<"tags">()
      .oneOf(["tags"] as const)
      .required(),
    tags: array(string().trim().required()).min(1, "Write at least one tag.").required(),
  }),
};

/** Reads a scope at any door. Throws, naming the cure, when it is none. */
export function readOfferScope(value: unknown): OfferScope {
  const on: unknown = typeof value === "object" && value !== null && "on" in value ? value.on : undefined;
  if (on !== "all" && on !== "products" && on !== "tags")
    throw new Refusal("An offer is for all products, for chosen ones, or for tags.");
  return schemas[on].validateSync(value, { strict: true, stripUnknown: true });
}
