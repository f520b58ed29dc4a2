import { clsx } from "clsx";
import { Form, Link, data, redirect, useNavigation, useSearchParams } from "react-router";
import { useState } from "react";
import { templateLength } from "../../core/document/needs";
import { offerState } from "../../core/offer/validity";
import { writePrice, money } from "../../core/offer/money";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { likePattern } from "../../server/catalogue/productList";
import { type TeamScope } from "../../server/db/teamScope";
import { isId } from "../../server/ids";
import { factsOf } from "../../server/media/factsOf";
import { bundlePrices, linesOrReason } from "../../server/catalogue/offerOnProduct";
import { mainPictures } from "../../server/catalogue/productPictures";
import { offeredTemplates } from "../../server/templates/templateStore";
import { noteDeed } from "../../server/people/deeds";
import { createPromotion } from "../../server/promotions/promotionStore";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/newPromotion";
import { inputClasses } from "../components/Field";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { thumbAddress } from "../components/mediaLook";

const MOST_SHOWN = 60;

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const words = (params.get("words") ?? "").trim();
  const found =
    words === "" ? scope.select("product") : scope.select("product").where("search", "like", likePattern(words));
  const [templates, first, offers, chosen] = await Promise.all([
    offeredTemplates(scope),
    found.selectAll().orderBy("name").limit(MOST_SHOWN).execute(),
    scope.select("offer").selectAll().orderBy("starts_at").execute(),
    chosenProduct(scope, params.get("product")),
  ]);
  // The one that was chosen before coming here is always among them.
  const products = chosen ? [chosen, ...first.filter(({ id }) => id !== chosen.id)] : first;
  const now = new Date();
  const pictures = await mainPictures(
    scope,
    products.map(({ id }) => id),
  );
  const media = await factsOf(scope, [...pictures.values()]);
  const thumbOf = (product: string): string | null => {
    const facts = media.get(pictures.get(product) ?? "");
    return facts ? thumbAddress(facts, 300) : null;
  };
  const open = offers.filter(
    (offer) => offerState({ startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, now) !== "ended",
  );
  const bundles = await Promise.all(open.map((offer) => bundlePrices(scope, offer)));
  return {
    template: params.get("template") ?? templates[0]?.ref.slug ?? "",
    templates: templates.map(({ ref, template }) => ({
      slug: ref.slug,
      name: template.name,
      about: template.about,
      seconds: templateLength(template) / 1000,
    })),
    words,
    products: products.map((row) => ({
      id: row.id,
      name: row.name,
      price: writePrice(money(row.price_minor, row.currency), team.locale),
      thumb: thumbOf(row.id),
      lines: Object.fromEntries(
        open.map((offer, index) => [offer.id, linesOrReason(row, offer, team.locale, bundles[index])]),
      ),
    })),
    offers: open.map(({ id, name }) => ({ id, name })),
  };
}

const chosenProduct = async (scope: TeamScope, id: string | null) =>
  isId(id) ? scope.select("product").selectAll().where("id", "=", id).executeTakeFirst() : undefined;

export async function action({ request }: Route.ActionArgs) {
  const { scope, id, name } = await requireEditor(request);
  const form = await formOf(request);
  const product = formText(form, "product");
  if (product === "") return data({ problem: "Choose the product this promotion is about." }, { status: 422 });
  const offer = formText(form, "offer");
  const { slug, document } = await createPromotion(
    scope,
    { template: formText(form, "template"), product, offer: offer === "" ? null : offer },
    id,
  );
  await noteDeed(scope, name, `made the promotion “${document.name}”`);
  return redirect(`/promotions/${slug}`);
}

export default function NewPromotion({
  loaderData: { template, templates, words, products, offers },
  actionData,
}: Route.ComponentProps) {
  const [product, setProduct] = useState(products[0]?.id ?? "");
  /** The offer to propose with a product: the wanted one if it applies, else the first that does. */
  const fitting = (of: string, wanted: string): string => {
    const lines = products.find(({ id }) => id === of)?.lines ?? {};
    const applies = (id: string): boolean => lines[id] !== undefined && !("reason" in lines[id]);
    return applies(wanted) ? wanted : (offers.find(({ id }) => applies(id))?.id ?? "");
  };
  const [offer, setOffer] = useState(() => fitting(products[0]?.id ?? "", ""));
  const busy = useNavigation().state !== "idle";
  const lines = products.find(({ id }) => id === product)?.lines ?? {};
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <Form method="post">
        <PageHead title="New promotion" about="A template, a product, an offer. The first version fills itself.">
          <Button look="main" type="submit" disabled={busy || products.length === 0}>
            Fill the first version
          </Button>
        </PageHead>
        {actionData?.problem && (
          <Notice kind="wrong" className="mb-4">
            {actionData.problem}
          </Notice>
        )}
        <div className="grid grid-cols-[260px_minmax(0,1fr)_300px] gap-10 max-lg:grid-cols-1">
          <fieldset>
            <legend className="mb-3 font-heading text-lg font-semibold">1 Template</legend>
            <div className="flex max-h-[calc(100vh-190px)] flex-col gap-2 overflow-y-auto pr-1">
              {templates.map(({ slug, name, about, seconds }) => (
                <label
                  key={slug}
                  className="block cursor-pointer border-2 border-transparent bg-card p-3 has-checked:border-ink"
                >
                  <span className="flex items-center gap-2 font-semibold">
                    <input
                      type="radio"
                      name="template"
                      value={slug}
                      defaultChecked={slug === template}
                      className="accent-accent"
                    />{" "}
                    {name}
                    <span className="ml-auto figures font-normal text-soft">{seconds} s</span>
                  </span>
                  <span className="mt-1 block text-[13px] leading-snug text-soft">{about}</span>
                </label>
              ))}
            </div>
          </fieldset>
          <fieldset>
            <legend className="mb-3 font-heading text-lg font-semibold">2 Product</legend>
            {(words !== "" || products.length >= 12) && <ProductSearch words={words} />}
            {products.length === 0 && words !== "" && <p className="text-soft">No product answers “{words}”.</p>}
            {products.length === 0 && words === "" && (
              <p className="text-soft">
                Your catalogue is empty.{" "}
                <Link to="/catalogue" className="underline">
                  Add a product first.
                </Link>
              </p>
            )}
            <div className="grid grid-cols-3 gap-4">
              {products.map(({ id, name, price, thumb }) => (
                <label
                  key={id}
                  className={clsx(
                    "cursor-pointer border-2 border-transparent bg-card has-checked:border-ink",
                    "has-focus-visible:outline-2 has-focus-visible:outline-accent",
                  )}
                >
                  <span className="block h-32 bg-proof">
                    {thumb && <img src={thumb} alt="" className="h-full w-full object-cover" />}
                  </span>
                  <span className="block px-3 py-2">
                    <input
                      type="radio"
                      name="product"
                      value={id}
                      checked={id === product}
                      onChange={() => {
                        setProduct(id);
                        setOffer(fitting(id, offer));
                      }}
                      className="sr-only"
                    />
                    <span className="block leading-tight font-semibold">{name}</span>
                    <span className="figures text-soft">{price}</span>
                  </span>
                </label>
              ))}
            </div>
          </fieldset>
          <fieldset>
            <legend className="mb-3 font-heading text-lg font-semibold">3 Offer</legend>
            <div className="flex flex-col gap-2">
              {[...offers, { id: "", name: "No offer" }].map(({ id, name }) => {
                const line = lines[id];
                return (
                  <label
                    key={id}
                    className="flex cursor-pointer items-start gap-3 border-2 border-transparent bg-card px-4 py-3 has-checked:border-ink"
                  >
                    <input
                      type="radio"
                      name="offer"
                      value={id}
                      checked={id === offer}
                      onChange={() => setOffer(id)}
                      className="mt-1 accent-accent"
                    />
                    <span>
                      <span className="block font-semibold">{name}</span>
                      <span className="text-sm text-soft">
                        {id === ""
                          ? "Only show the product"
                          : !line
                            ? ""
                            : "reason" in line
                              ? line.reason
                              : line.was === ""
                                ? line.badge
                                : `${line.short}, ${line.badge}`}
                      </span>
                    </span>
                  </label>
                );
              })}
            </div>
          </fieldset>
        </div>
      </Form>
    </main>
  );
}

/** Narrows the products shown. Not a form of its own: it stands inside the page's form. */
function ProductSearch({ words }: { words: string }) {
  const [, setParams] = useSearchParams();
  return (
    <input
      type="search"
      defaultValue={words}
      aria-label="Search products"
      placeholder="Search products"
      onChange={(event) =>
        setParams(
          (params) => {
            params.set("words", event.target.value);
            return params;
          },
          { replace: true },
        )
      }
      className={`${inputClasses} mb-4`}
    />
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
