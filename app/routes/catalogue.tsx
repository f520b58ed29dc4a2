import { counted } from "../../core/text/counted";
import { Form, Link, data, useFetcher, useNavigation, useSearchParams, useSubmit } from "react-router";
import { Download, Upload } from "lucide-react";
import { money, writePrice } from "../../core/offer/money";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { isId, readIds } from "../../server/ids";
import { PRODUCTS_A_PAGE, listProducts, productTags, readProductQuery } from "../../server/catalogue/productList";
import { IN_PLACE, type BulkAction, changeField, changeMany, saveProduct } from "../../server/catalogue/products";
import { todayIn } from "../../server/media/mediaList";
import { chosenMedia } from "../../server/media/offeredMedia";
import { factsOf } from "../../server/media/factsOf";
import { type TeamScope } from "../../server/db/teamScope";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/catalogue";
import { answer, type CatalogueAnswer } from "../catalogue/answer";
import { outdatedWords } from "../components/outdatedWords";
import { dateFormat } from "../../core/text/formatters";
import { typedProduct } from "../../server/catalogue/typedProduct";
import { type EditedProduct, ProductEditor } from "../catalogue/ProductEditor";
import { InPlace } from "../catalogue/InPlace";
import { Button, ButtonLink } from "../components/Button";
import { inputClasses } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { PageTurns } from "../components/PageTurns";
import { useMarked } from "../components/useMarked";
import { CATALOGUE_TABS } from "../catalogue/tabs";
import { Tabs } from "../components/Tabs";
import { thumbAddress } from "../components/mediaLook";
import { ScrollBox } from "../components/ScrollBox";
import { ForEditors } from "../components/ForEditors";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const query = readProductQuery(params);
  const open = params.get("product") ?? "";
  const [{ products, count }, tags, edited] = await Promise.all([
    listProducts(scope, query, team.locale),
    productTags(scope),
    open && open !== "new" ? editedProduct(scope, open, team.locale) : null,
  ]);
  const media = await chosenMedia(scope, edited?.pictures ?? [], todayIn(team.zone));
  return {
    currency: team.currency,
    pageSize: PRODUCTS_A_PAGE,
    query,
    products: await withThumbs(scope, products),
    count,
    tags,
    edited,
    isNew: open === "new",
    media,
  };
}

async function withThumbs<Row extends { readonly picture: string | null }>(scope: TeamScope, products: readonly Row[]) {
  const media = await factsOf(
    scope,
    products.flatMap(({ picture }) => picture ?? []),
  );
  return products.map((product) => {
    const facts = media.get(product.picture ?? "");
    return { ...product, thumb: facts ? thumbAddress(facts, 96) : null };
  });
}

async function editedProduct(scope: TeamScope, id: string, locale: string): Promise<EditedProduct | null> {
  const typed = isId(id) ? await typedProduct(scope, id) : null;
  if (!typed) return null;
  const steps = await scope
    .select("price_step")
    .selectAll()
    .where("product_id", "=", id)
    .orderBy("from_at", "desc")
    .limit(12)
    .execute();
  const day = dateFormat(locale, { dateStyle: "medium" });
  return {
    id,
    typed,
    pictures: readIds(typed.pictures),
    history: steps.map((step) => ({
      from: day.format(step.from_at),
      price: writePrice(money(step.price_minor, step.currency), locale),
    })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, team, name } = await requireEditor(request);
  const form = await formOf(request);
  const text = (name: string): string => formText(form, name);
  // A pressed button comes after the form’s own intent.
  const intent = formText(form, "intent");
  const failed = (change: Partial<CatalogueAnswer>) => data(answer(change), { status: 422 });
  switch (intent) {
    case "product": {
      const result = await saveProduct(scope, team.currency, form);
      return result.ok
        ? answer({ saved: true, done: `Saved.${outdatedWords(result.values.outdated)}` })
        : failed({ problems: result.problems });
    }
    case "field": {
      const field = IN_PLACE.find((one) => one === text("field"));
      const [id] = readIds(text("id"));
      const problem = field && id ? await changeField(scope, id, field, text("value")) : "This can’t be changed here.";
      return problem ? failed({ problem }) : answer({ saved: true });
    }
    case "remove-product":
    case "bulk": {
      const action = intent === "remove-product" ? ({ kind: "remove" } as const) : bulkAction(text("do"), text("tag"));
      const ids = intent === "remove-product" ? readIds(text("id")) : readIds(text("ids"));
      const { done, problem, removed } = await changeMany(scope, ids, action);
      if (removed > 0) await noteDeed(scope, name, `removed ${counted(removed, "product")} from the catalogue`);
      return data(answer({ saved: problem === null, done, problem }), { status: problem ? 409 : 200 });
    }
    default:
      throw new Response("The catalogue does not know what to do with that.", { status: 400 });
  }
}

function bulkAction(what: string, tag: string): BulkAction {
  switch (what) {
    case "in-stock":
    case "out-of-stock":
      return { kind: "stock", inStock: what === "in-stock" };
    case "tag":
    case "untag":
      return { kind: what, tag };
    case "remove":
      return { kind: "remove" };
    default:
      throw new Response("The catalogue does not know what to do with that.", { status: 400 });
  }
}

export default function Catalogue({
  loaderData: { currency, pageSize, query, products, count, tags, edited, isNew, media },
}: Route.ComponentProps) {
  const [params, setParams] = useSearchParams();
  const { marked, setMarked, toggle } = useMarked();
  const bulk = useFetcher<CatalogueAnswer>();
  const waiting = useNavigation().state !== "idle";
  const setParam = (change: Readonly<Record<string, string>>): void =>
    setParams(
      (before) => {
        for (const [name, value] of Object.entries(change)) {
          if (value === "") before.delete(name);
          else before.set(name, value);
        }
        return before;
      },
      { replace: true, preventScrollReset: true },
    );
  const linkTo = (change: Readonly<Record<string, string>>): string =>
    `?${new URLSearchParams({ ...Object.fromEntries(params), ...change })}`;
  const pages = Math.max(1, Math.ceil(count / pageSize));
  const allMarked = products.length > 0 && products.every(({ id }) => marked.has(id));
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Catalogue" about="What you sell, and what you promise about it.">
        <a
          href="/catalogue/products.csv"
          className="inline-flex items-center gap-2 py-1 font-semibold text-soft underline-offset-2 hover:text-ink hover:underline"
        >
          <Download aria-hidden size={16} /> Export list
        </a>
        <ForEditors>
          <ButtonLink to="/catalogue/import">
            <Upload aria-hidden size={16} /> Import list
          </ButtonLink>
          <ButtonLink look="main" to={linkTo({ product: "new" })} preventScrollReset>
            New product
          </ButtonLink>
        </ForEditors>
      </PageHead>
      <Tabs label="Catalogue" tabs={CATALOGUE_TABS} />
      <Filters query={query} tags={tags} count={count} />
      {marked.size > 0 && <BulkBar fetcher={bulk} ids={[...marked]} onClear={() => setMarked(new Set())} />}
      {bulk.data?.problem && (
        <Notice kind="wrong" className="mb-3">
          {bulk.data.problem}
        </Notice>
      )}
      {bulk.data?.done && bulk.state === "idle" && (
        <Notice kind="ready" className="mb-3">
          {bulk.data.done}
        </Notice>
      )}
      {products.length === 0 ? (
        <div className="border border-dashed border-firm p-16 text-center text-soft">
          {count === 0 && query.words === "" && query.tag === "" && query.stock === ""
            ? "No products yet. Add the first one you want to promote, or import your list."
            : "No product answers that search."}
        </div>
      ) : (
        <ScrollBox label="Products">
          <table
            className={`w-full min-w-[1040px] table-fixed border-collapse text-left ${waiting ? "opacity-70" : ""}`}
          >
            <thead className="border-b border-ink text-sm">
              <tr>
                <th scope="col" className="w-9 py-2">
                  <input
                    type="checkbox"
                    checked={allMarked}
                    onChange={() => setMarked(allMarked ? new Set() : new Set(products.map(({ id }) => id)))}
                    aria-label="Mark all on this page"
                    className="accent-accent"
                  />
                </th>
                <th scope="col" className="w-14 py-2">
                  <span className="sr-only">Picture</span>
                </th>
                <SortHead column="name" text="Name" query={query} onSort={setParam} />
                <SortHead column="code" text="Code" query={query} onSort={setParam} className="w-40" />
                <th scope="col" className="w-44 py-2 font-normal text-soft">
                  Tags
                </th>
                <SortHead column="price" text="Price" query={query} onSort={setParam} className="w-28 text-right" />
                <th scope="col" className="w-36 py-2 text-right font-normal text-soft">
                  Per unit
                </th>
                <SortHead column="stock" text="In stock" query={query} onSort={setParam} className="w-24 pl-6" />
                <th scope="col" className="w-20 py-2">
                  <span className="sr-only">Change</span>
                </th>
              </tr>
            </thead>
            <tbody className="divide-y divide-rule border-b border-rule">
              {products.map((row) => (
                <tr key={row.id} className={marked.has(row.id) ? "bg-warn-pale/50" : ""}>
                  <td>
                    <input
                      type="checkbox"
                      checked={marked.has(row.id)}
                      onChange={() => toggle(row.id)}
                      aria-label={`Mark ${row.name}`}
                      className="accent-accent"
                    />
                  </td>
                  <td className="py-1.5">
                    <span className="block h-11 w-11 overflow-hidden bg-proof">
                      {row.thumb && (
                        <img src={row.thumb} alt="" loading="lazy" className="h-full w-full object-cover" />
                      )}
                    </span>
                  </td>
                  <td className="pr-4">
                    <InPlace
                      product={row.id}
                      field="name"
                      value={row.name}
                      shown={row.name}
                      label="Name"
                      className="font-semibold"
                    />
                    <span className="block truncate text-sm text-soft">{row.line}</span>
                  </td>
                  <td className="pr-3">
                    <InPlace
                      product={row.id}
                      field="code"
                      value={row.code}
                      shown={row.code}
                      label={`Code of ${row.name}`}
                      className="figures"
                    />
                  </td>
                  <td className="pr-3">
                    <InPlace
                      product={row.id}
                      field="tags"
                      value={row.tags.join(", ")}
                      shown={row.tags.join(", ")}
                      label={`Tags of ${row.name}`}
                      className="text-sm"
                    />
                  </td>
                  <td>
                    <InPlace
                      product={row.id}
                      field="price"
                      value={row.typedPrice}
                      shown={row.price}
                      label={`Price of ${row.name}`}
                      className="text-right! figures"
                    />
                  </td>
                  <td className="text-right figures text-soft">{row.unitPrice}</td>
                  <td className="pl-6 text-sm">{row.inStock ? "yes" : <span className="text-warn">no</span>}</td>
                  <td className="text-right">
                    <Link
                      to={linkTo({ product: row.id })}
                      preventScrollReset
                      aria-label={`Change ${row.name}`}
                      className="text-sm text-soft underline-offset-2 hover:text-ink hover:underline"
                    >
                      Change
                    </Link>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollBox>
      )}
      <PageTurns
        page={query.page + 1}
        pages={pages}
        pageSize={pageSize}
        count={count}
        to={(page) => linkTo({ page: String(page) })}
      />
      {(edited || isNew) && (
        <ProductEditor
          key={edited?.id ?? "new"}
          product={edited}
          currency={currency}
          media={media}
          onClose={() => setParam({ product: "" })}
        />
      )}
    </main>
  );
}

function SortHead({
  column,
  text,
  query,
  onSort,
  className = "",
}: {
  column: string;
  text: string;
  query: { sort: string; down: boolean };
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

function Filters({
  query,
  tags,
  count,
}: {
  query: { words: string; tag: string; stock: string; sort: string; down: boolean };
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

function BulkBar({
  fetcher,
  ids,
  onClear,
}: {
  fetcher: ReturnType<typeof useFetcher<CatalogueAnswer>>;
  ids: readonly string[];
  onClear: () => void;
}) {
  return (
    <fetcher.Form
      method="post"
      className="mb-3 flex flex-wrap items-center gap-3 bg-card px-4 py-2.5"
      aria-label="Change marked products"
    >
      <input type="hidden" name="intent" value="bulk" />
      <input type="hidden" name="ids" value={ids.join(",")} />
      <span className="font-semibold">{ids.length} marked</span>
      <button name="do" value="in-stock" className="underline">
        In stock
      </button>
      <button name="do" value="out-of-stock" className="underline">
        Out of stock
      </button>
      <input
        name="tag"
        placeholder="tag"
        aria-label="Tag to give or take"
        className="w-32 border border-rule bg-white px-2 py-1"
      />
      <button name="do" value="tag" className="underline">
        Give tag
      </button>
      <button name="do" value="untag" className="underline">
        Take tag
      </button>
      <button name="do" value="remove" className="text-wrong underline">
        Remove
      </button>
      <Button look="quiet" className="ml-auto" onClick={onClear}>
        Unmark all
      </Button>
    </fetcher.Form>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
