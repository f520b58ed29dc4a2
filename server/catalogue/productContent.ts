import { type Content, isContentUnit } from "../../core/offer/unitPrice";

/** What a product's row says it holds; null when it says nothing. */
export function contentOf({
  content_quantity: quantity,
  content_unit: unit,
}: {
  readonly content_quantity: number | null;
  readonly content_unit: string | null;
}): Content | null {
  return quantity !== null && isContentUnit(unit) ? { quantity, unit } : null;
}
