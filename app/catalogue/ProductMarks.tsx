import { type ChangeEvent, useState } from "react";
import { type ProductFacts } from "../../core/document/facts";
import { Problem } from "../components/Problem";
import { MoreProducts } from "../productChoice/MoreProducts";
import { useOfferedProducts } from "../productChoice/useOfferedProducts";

/**
 * Marks products of the catalogue, however many there are: what was marked before stands first, then the first by name, or
 * those that have the words typed. The ids go with the form as `products`.
 */
export function ProductMarks({
  before,
  marked,
  onToggle,
  problem,
}: {
  before: readonly ProductFacts[];
  /** Ids, also of those that are not shown now. */
  marked: ReadonlySet<string>;
  onToggle: (id: string) => void;
  problem: string | undefined;
}) {
  const [words, setWords] = useState("");
  const { products, more, isAsking } = useOfferedProducts(words);
  const search = ({ target: { value } }: ChangeEvent<HTMLInputElement>): void => setWords(value);
  const first = words.trim() === "" ? before : [];
  const shown = [...first, ...(products ?? []).filter(({ id }) => !first.some((one) => one.id === id))];
  return (
    <fieldset className="col-span-2">
      <legend className="mb-1 flex w-full justify-between text-sm">
        <span>Products</span>
        <span className="text-soft">{marked.size} marked</span>
      </legend>
      <input type="hidden" name="products" value={[...marked].join(",")} />
      <input
        type="search"
        value={words}
        onChange={search}
        placeholder="Search by name, code or tag"
        aria-label="Search products to mark"
        className="mb-2 w-full border border-rule bg-white px-3 py-1.5"
      />
      <div aria-busy={isAsking} className="max-h-52 overflow-y-auto border border-rule bg-white">
        <ul className="divide-y divide-rule">
          {shown.map((product) => (
            <Mark key={product.id} product={product} isMarked={marked.has(product.id)} onToggle={onToggle} />
          ))}
        </ul>
        {products && shown.length === 0 && <p className="px-3 py-1.5 text-soft">No product is called that.</p>}
        <MoreProducts more={more} />
      </div>
      <Problem text={problem} className="mt-1" />
    </fieldset>
  );
}

function Mark({
  product: { id, name, price },
  isMarked,
  onToggle,
}: {
  product: ProductFacts;
  isMarked: boolean;
  onToggle: (id: string) => void;
}) {
  const toggle = (): void => onToggle(id);
  return (
    <li>
      <label className="flex items-center gap-3 px-3 py-1.5">
        <input type="checkbox" checked={isMarked} className="accent-accent" onChange={toggle} />
        <span className="flex-1 truncate">{name}</span>
        <span className="figures text-soft">{price}</span>
      </label>
    </li>
  );
}
