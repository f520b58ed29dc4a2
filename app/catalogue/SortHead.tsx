import { type ProductQuery, type ProductSort } from "../../server/catalogue/productList";

/** The head of a column by which a list can be sorted; pressed once more, the other way round. */
export function SortHead({
  column,
  text,
  query,
  onSort,
  className = "",
}: {
  column: ProductSort;
  text: string;
  query: Pick<ProductQuery, "sort" | "down">;
  onSort: (change: Readonly<Record<string, string>>) => void;
  className?: string;
}) {
  const active = query.sort === column;
  return (
    <th
      scope="col"
      aria-sort={active ? (query.down ? "descending" : "ascending") : "none"}
      className={`py-2 ${className}`}
    >
      <button
        type="button"
        onClick={() => onSort({ sort: column, down: active && !query.down ? "yes" : "", page: "" })}
        className={active ? "font-semibold" : "font-normal text-soft hover:text-ink"}
      >
        {text} <span aria-hidden>{active ? (query.down ? "↓" : "↑") : ""}</span>
      </button>
    </th>
  );
}
