import { type BrandBook } from "../../core/brand/book";

/** Whether two books say the same; the order of their keys is the database's affair. */
export const sameBook = (one: BrandBook, other: BrandBook): boolean =>
  JSON.stringify(ordered(one)) === JSON.stringify(ordered(other));

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, ordered(inner)]),
  );
}
