import { clsx } from "clsx";
import { Form, useSubmit } from "react-router";
import { COLOR_WORDS } from "../../core/color/colorNames";
import { type Collection } from "../../server/media/collections";
import { type MediaQuery } from "../../server/media/mediaList";
import { inputClasses } from "../components/Field";

const KINDS = [
  ["", "Everything"],
  ["picture", "Pictures"],
  ["clip", "Clips"],
  ["sound", "Sounds"],
  ["logo", "Logos"],
] as const;
const SHAPES = ["standing", "square", "lying"] as const;
const LENGTHS = ["under 5 s", "5 to 15 s", "over 15 s"] as const;
const RIGHTS = [
  ["clear", "rights clear"],
  ["missing", "no rights note"],
  ["ended", "rights ended"],
] as const;
const SORTS = [
  ["newest", "newest first"],
  ["name", "by name"],
  ["largest", "largest first"],
] as const;

/** Search by words, kind, shape, length, colour, product, tag, rights and collection. Changes show at once. */
export function MediaFilters({
  query,
  tags,
  collections,
  products,
}: {
  query: MediaQuery;
  tags: readonly string[];
  collections: readonly Collection[];
  products: readonly { id: string; name: string }[];
}) {
  const submit = useSubmit();
  const choice = (
    name: string,
    value: string,
    label: string,
    any: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <select
      name={name}
      defaultValue={value}
      aria-label={label}
      className={`${inputClasses} w-auto! max-w-40 truncate py-1.5! pr-7 text-sm`}
    >
      <option value="">{any}</option>
      {options.map(([option, text]) => (
        <option key={option} value={option}>
          {text}
        </option>
      ))}
    </select>
  );
  const same = (values: readonly string[]) => values.map((value) => [value, value] as const);
  return (
    <Form
      key={`${query.kind}/${query.collection}`}
      role="search"
      className="mb-5 flex flex-col gap-3"
      onChange={(event) => void submit(event.currentTarget, { replace: true, preventScrollReset: true })}
    >
      <div role="group" aria-label="Show" className="flex flex-wrap items-center gap-x-5 gap-y-2 text-sm">
        {KINDS.map(([value, text]) => (
          <label
            key={value}
            className={clsx(
              "cursor-pointer border-b-2 border-transparent pb-1 text-soft hover:text-ink has-checked:border-ink has-checked:font-semibold",
              "has-checked:text-ink has-focus-visible:outline-2 has-focus-visible:outline-accent",
            )}
          >
            <input type="radio" name="kind" value={value} defaultChecked={query.kind === value} className="sr-only" />
            {text}
          </label>
        ))}
        <span className="ml-auto">{choice("sort", query.sort, "Order", "newest first", SORTS.slice(1))}</span>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <input
          type="search"
          name="words"
          defaultValue={query.words}
          placeholder="Search names and tags"
          aria-label="Search media"
          className={`${inputClasses} w-60! py-1.5!`}
        />
        {choice("shape", query.shape, "Shape", "any shape", same(SHAPES))}
        {choice("length", query.length, "Length", "any length", same(LENGTHS))}
        {choice("color", query.color, "Colour", "any colour", same(COLOR_WORDS))}
        {choice("tag", query.tag, "Tag", "any tag", same(tags))}
        {choice("rights", query.rights, "Rights", "any rights", RIGHTS)}
        {products.length > 0 &&
          choice(
            "product",
            query.product,
            "Product",
            "any product",
            products.map(({ id, name }) => [id, name]),
          )}
        {collections.length > 0 &&
          choice(
            "collection",
            query.collection,
            "Collection",
            "any collection",
            collections.map(({ id, name, count }) => [id, `${name} (${count})`]),
          )}
      </div>
    </Form>
  );
}
