import { clsx } from "clsx";
import { Form, Link, useSubmit } from "react-router";
import { inputClasses } from "../components/Field";

interface Query {
  readonly words: string;
  readonly purpose: string;
  readonly length: number;
  readonly needs: string;
  readonly shelf: string;
  readonly product: string;
  readonly brand: string;
}

/** What the gallery shows, and filled with what: a form that answers as it is changed, and works without script. */
export function GalleryFilters({
  query,
  counts,
  choices,
  brands,
  brand,
  products,
  product,
}: {
  query: Query;
  counts: readonly { readonly purpose: string; readonly count: number }[];
  choices: {
    readonly lengths: readonly number[];
    readonly needs: readonly string[];
    readonly shelves: readonly string[];
  };
  brands: readonly { readonly id: string; readonly name: string }[];
  brand: string | null;
  products: readonly { readonly id: string; readonly name: string }[];
  product: string | null;
}) {
  const submit = useSubmit();
  const asked =
    query.words !== "" || query.purpose !== "" || query.length > 0 || query.needs !== "" || query.shelf !== "all";
  const select = (name: string, label: string, value: string, options: readonly (readonly [string, string])[]) => (
    <label className="block text-[13px] text-soft">
      {label}
      <select name={name} defaultValue={value} className={`${inputClasses} mt-1 px-2! py-1.5! text-[14px]`}>
        {options.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <Form
      method="get"
      role="search"
      aria-label="Templates"
      onChange={(event) => void submit(event.currentTarget, { replace: true, preventScrollReset: true })}
      className="flex flex-col gap-3"
    >
      <input
        type="search"
        name="words"
        defaultValue={query.words}
        placeholder="Search templates"
        aria-label="Search templates"
        className={`${inputClasses} px-2.5! py-1.5!`}
      />
      {select(
        "brand",
        "Shown in the brand",
        brand ?? "",
        brands.map(({ id, name }) => [id, name]),
      )}
      {select(
        "product",
        "Shown with",
        product ?? "",
        products.map(({ id, name }) => [id, name]),
      )}
      {select(
        "shelf",
        "Of",
        query.shelf,
        choices.shelves.map((shelf) => [shelf, SHELF_WORDS[shelf] ?? shelf]),
      )}
      {select("length", "Length", query.length > 0 ? String(query.length) : "", [
        ["", "any length"],
        ...choices.lengths.map((length): [string, string] => [String(length), `${length} s`]),
      ])}
      {select("needs", "What it needs", query.needs, [
        ["", "anything"],
        ...choices.needs.map((need): [string, string] => [need, need]),
      ])}
      <fieldset className="mt-1">
        <legend className="mb-1 text-[13px] text-soft">Purpose</legend>
        {[{ purpose: "", count: counts.reduce((sum, { count }) => sum + count, 0) }, ...counts].map(
          ({ purpose, count }) => (
            <label
              key={purpose}
              className={clsx(
                "flex cursor-pointer items-center gap-2 border-l-2 border-transparent py-[3px] pl-2 text-[14px] has-checked:border-accent",
                "has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-accent",
              )}
            >
              <input
                type="radio"
                name="purpose"
                value={purpose}
                defaultChecked={purpose === query.purpose}
                className="sr-only"
              />
              <span className="flex-1 first-letter:uppercase">{purpose === "" ? "all purposes" : purpose}</span>
              <span className="figures text-[12px] text-soft">{count}</span>
            </label>
          ),
        )}
      </fieldset>
      <noscript>
        <button type="submit" className="underline">
          Show
        </button>
      </noscript>
      {asked && (
        <Link to="/templates" className="text-[14px] text-soft underline hover:text-ink">
          Show all templates
        </Link>
      )}
    </Form>
  );
}

const SHELF_WORDS: Readonly<Record<string, string>> = {
  all: "all templates",
  favourites: "my favourites",
  recent: "recently used",
  own: "made by the team",
};
