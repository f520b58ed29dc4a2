import { useEffect } from "react";
import { useFetcher } from "react-router";
import { type ProductFacts } from "../../core/document/facts";
import type { loader } from "../routes/productsOffered";

interface OfferedProducts {
  /** Null until the first answer. */
  readonly products: readonly ProductFacts[] | null;
  /** How many more have the words. */
  readonly more: number;
  readonly isAsking: boolean;
}

/** The products of the catalogue that have some words, the first by name. @param words null while none are asked for */
export function useOfferedProducts(words: string | null): OfferedProducts {
  const { load, data, state } = useFetcher<typeof loader>();
  useEffect(() => {
    if (words !== null) void load(`/catalogue/products/offered?words=${encodeURIComponent(words)}`);
  }, [words, load]);
  const products = data?.products ?? null;
  return { products, more: (data?.count ?? 0) - (products?.length ?? 0), isAsking: state !== "idle" };
}
