import { Link } from "react-router";
import { type ListedProductRow, type ProductQuery } from "../../server/catalogue/productList";
import { ScrollBox } from "../components/ScrollBox";
import { InPlace } from "./InPlace";
import { SortHead } from "./SortHead";

/** A product as the table shows it. */
export type ShownProduct = ListedProductRow & {
  /** The address of its picture, small. */
  readonly thumb: string | null;
};

/** Products, changed in place, marked, sorted and opened. */
export function ProductTable({
  products,
  query,
  marked,
  waiting,
  addressOf,
  onToggle,
  onMark,
  onSort,
}: {
  products: readonly ShownProduct[];
  query: ProductQuery;
  marked: ReadonlySet<string>;
  /** Whether another page of it is on its way. */
  waiting: boolean;
  addressOf: (id: string) => string;
  onToggle: (id: string) => void;
  onMark: (ids: ReadonlySet<string>) => void;
  onSort: (change: Readonly<Record<string, string>>) => void;
}) {
  const allMarked = products.length > 0 && products.every(({ id }) => marked.has(id));
  const markAll = (): void => onMark(new Set(allMarked ? [] : products.map(({ id }) => id)));
  return (
    <ScrollBox label="Products">
      <table className={`w-full min-w-[1040px] table-fixed border-collapse text-left ${waiting ? "opacity-70" : ""}`}>
        <thead className="border-b border-ink text-sm">
          <tr>
            <th scope="col" className="w-9 py-2">
              <input
                type="checkbox"
                checked={allMarked}
                onChange={markAll}
                aria-label="Mark all on this page"
                className="accent-accent"
              />
            </th>
            <th scope="col" className="w-14 py-2">
              <span className="sr-only">Picture</span>
            </th>
            <SortHead column="name" text="Name" query={query} onSort={onSort} />
            <SortHead column="code" text="Code" query={query} onSort={onSort} className="w-40" />
            <th scope="col" className="w-44 py-2 font-normal text-soft">
              Tags
            </th>
            <SortHead column="price" text="Price" query={query} onSort={onSort} className="w-28 text-right" />
            <th scope="col" className="w-36 py-2 text-right font-normal text-soft">
              Per unit
            </th>
            <SortHead column="stock" text="In stock" query={query} onSort={onSort} className="w-24 pl-6" />
            <th scope="col" className="w-20 py-2">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody className="divide-y divide-rule border-b border-rule">
          {products.map((product) => (
            <ProductRow
              key={product.id}
              product={product}
              marked={marked.has(product.id)}
              address={addressOf(product.id)}
              onToggle={onToggle}
            />
          ))}
        </tbody>
      </table>
    </ScrollBox>
  );
}

function ProductRow({
  product,
  marked,
  address,
  onToggle,
}: {
  product: ShownProduct;
  marked: boolean;
  address: string;
  onToggle: (id: string) => void;
}) {
  return (
    <tr className={marked ? "bg-warn-pale/50" : ""}>
      <td>
        <input
          type="checkbox"
          checked={marked}
          onChange={() => onToggle(product.id)}
          aria-label={`Mark ${product.name}`}
          className="accent-accent"
        />
      </td>
      <td className="py-1.5">
        <span className="block h-11 w-11 overflow-hidden bg-proof">
          {product.thumb && <img src={product.thumb} alt="" loading="lazy" className="h-full w-full object-cover" />}
        </span>
      </td>
      <td className="pr-4">
        <InPlace
          product={product.id}
          field="name"
          value={product.name}
          shown={product.name}
          label="Name"
          className="font-semibold"
        />
        <span className="block truncate text-sm text-soft">{product.line}</span>
      </td>
      <td className="pr-3">
        <InPlace
          product={product.id}
          field="code"
          value={product.code}
          shown={product.code}
          label={`Code of ${product.name}`}
          className="figures"
        />
      </td>
      <td className="pr-3">
        <InPlace
          product={product.id}
          field="tags"
          value={product.tags.join(", ")}
          shown={product.tags.join(", ")}
          label={`Tags of ${product.name}`}
          className="text-sm"
        />
      </td>
      <td>
        <InPlace
          product={product.id}
          field="price"
          value={product.typedPrice}
          shown={product.price}
          label={`Price of ${product.name}`}
          className="text-right! figures"
        />
      </td>
      <td className="text-right figures text-soft">{product.unitPrice}</td>
      <td className="pl-6 text-sm">{product.inStock ? "yes" : <span className="text-warn">no</span>}</td>
      <td className="text-right">
        <Link
          to={address}
          preventScrollReset
          aria-label={`Change ${product.name}`}
          className="text-sm text-soft underline-offset-2 hover:text-ink hover:underline"
        >
          Change
        </Link>
      </td>
    </tr>
  );
}
