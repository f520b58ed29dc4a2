import { Form, useSubmit } from "react-router";
import { counted } from "../../core/text/counted";
import { type ProductQuery } from "../../server/catalogue/productList";
import { inputClasses } from "../components/Field";

/** What the list of products is narrowed to, and how many answer it. */
export function ProductFilters({
  query,
  tags,
  count,
}: {
  query: ProductQuery;
  tags: readonly string[];
  count: number;
}) {
  const submit = useSubmit();
  return (
    <Form
      role="search"
      className="mb-4 flex flex-wrap items-center gap-3"
      onChange={(event) => void submit(event.currentTarget, { replace: true, preventScrollReset: true })}
    >
      <input
        type="search"
        name="words"
        defaultValue={query.words}
        placeholder="Search name, line or code"
        aria-label="Search products"
        className={`${inputClasses} max-w-80 min-w-56 flex-1`}
      />
      <select name="tag" defaultValue={query.tag} aria-label="Tag" className={`${inputClasses} w-44!`}>
        <option value="">any tag</option>
        {tags.map((tag) => (
          <option key={tag}>{tag}</option>
        ))}
      </select>
      <select name="stock" defaultValue={query.stock} aria-label="Stock" className={`${inputClasses} w-40!`}>
        <option value="">in stock or not</option>
        <option value="in">in stock</option>
        <option value="out">out of stock</option>
      </select>
      <input type="hidden" name="sort" value={query.sort} />
      {query.down && <input type="hidden" name="down" value="yes" />}
      <span role="status" className="ml-auto figures text-soft">
        {counted(count, "product")}
      </span>
    </Form>
  );
}
