import { data, useFetcher, useNavigation, useSearchParams } from "react-router";
import { Download, Upload } from "lucide-react";
import { counted } from "../../core/text/counted";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { editedProduct } from "../../server/catalogue/editedProduct";
import { PRODUCTS_A_PAGE, listProducts, productTags, readProductQuery } from "../../server/catalogue/productList";
import { IN_PLACE, type BulkAction, changeField, changeMany, saveProduct } from "../../server/catalogue/products";
import { type TeamScope } from "../../server/db/teamScope";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { readIds } from "../../server/ids";
import { factsOf } from "../../server/media/factsOf";
import { todayIn } from "../../server/media/mediaList";
import { chosenMedia } from "../../server/media/offeredMedia";
import { noteDeed } from "../../server/people/deeds";
import type { Route } from "./+types/catalogue";
import { answer, type CatalogueAnswer } from "../catalogue/answer";
import { ProductBulkBar } from "../catalogue/ProductBulkBar";
import { ProductEditor } from "../catalogue/ProductEditor";
import { ProductFilters } from "../catalogue/ProductFilters";
import { ProductTable } from "../catalogue/ProductTable";
import { CATALOGUE_TABS } from "../catalogue/tabs";
import { ButtonLink } from "../components/Button";
import { ForEditors } from "../components/ForEditors";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { PageTurns } from "../components/PageTurns";
import { Tabs } from "../components/Tabs";
import { thumbAddress } from "../components/mediaLook";
import { outdatedWords } from "../components/outdatedWords";
import { useMarked } from "../components/useMarked";

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
      <ProductFilters query={query} tags={tags} count={count} />
      {marked.size > 0 && <ProductBulkBar fetcher={bulk} ids={[...marked]} onClear={() => setMarked(new Set())} />}
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
        <ProductTable
          products={products}
          query={query}
          marked={marked}
          waiting={waiting}
          addressOf={(id) => linkTo({ product: id })}
          onToggle={toggle}
          onMark={setMarked}
          onSort={setParam}
        />
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

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
