import { mediaShown } from "../../core/document/named";
import { useMemo, useState } from "react";
import { FileDown, Heart, PencilRuler } from "lucide-react";
import { Form, Link, redirect, useFetcher } from "react-router";
import { type Facts, templateKey } from "../../core/document/facts";
import { newPromotion } from "../../core/document/newPromotion";
import { type Promotion, type TemplateRef } from "../../core/document/promotion";
import { type Template } from "../../core/document/template";
import { SHIPPED_BY_REF } from "../../core/templates/shipped";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { formText } from "../../server/formText";
import { requireDesigner, requirePerson } from "../../server/auth/sessions";
import { setFavourite } from "../../server/templates/favourites";
import { startTemplate, unpublished } from "../../server/templates/workshop";
import { mayChangeLocked } from "../../server/auth/roles";
import {
  type GalleryCard,
  LENGTHS,
  NEEDS,
  SHELVES,
  loadGallery,
  readGalleryQuery,
} from "../../server/templates/gallery";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/templates";
import { Button, ButtonLink } from "../components/Button";
import { useLive } from "../components/useLive";
import { Notice } from "../components/Notice";
import { NearWords } from "../components/NearWords";
import { PageHead } from "../components/PageHead";
import { ImportPackage } from "../gallery/ImportPackage";
import { GalleryFilters } from "../gallery/GalleryFilters";
import { TrioPreview } from "../gallery/TrioPreview";
import { type Proofs } from "../proof/proofs";
import { usePreviews } from "../gallery/usePreviews";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, id, role } = await requirePerson(request);
  const query = readGalleryQuery(new URL(request.url).searchParams);
  const designs = mayChangeLocked(role);
  return {
    query,
    designs,
    drafts: designs ? await unpublished(scope) : [],
    choices: { lengths: LENGTHS, needs: NEEDS, shelves: SHELVES },
    ...(await loadGallery(scope, id, query)),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requirePerson(request);
  const form = await formOf(request);
  if (form.get("intent") === "start") {
    await requireDesigner(request);
    const from = formText(form, "from");
    return redirect(`/templates/${await startTemplate(scope, formText(form, "name"), from || null)}/workshop`);
  }
  await setFavourite(scope, id, formText(form, "slug"), form.get("liked") === "yes");
  return { done: true };
}

/**
 * The server draws so many cards, more than a large screen shows at once: it costs it little that way, and nobody sees the
 * others until the page is at work.
 */
const FIRST_CARDS = 9;

export default function Templates({ loaderData }: Route.ComponentProps) {
  const { query, designs, drafts, choices, counts, brands, brand, products, product, offer } = loaderData;
  const { facts, cards, near } = loaderData;
  const previews = usePreviews();
  const isLive = useLive();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Templates" about="Designs to fill. Each comes out square, vertical and widescreen.">
        {designs && (
          <>
            <ImportPackage onProblem={setProblem} />
            <Form method="post">
              <input type="hidden" name="name" value="New template" />
              <Button type="submit" name="intent" value="start" look="main">
                New template
              </Button>
            </Form>
          </>
        )}
      </PageHead>
      {problem && (
        <Notice kind="wrong" className="mb-4">
          {problem}
        </Notice>
      )}
      <div className="grid grid-cols-[196px_minmax(0,1fr)] gap-8 max-md:grid-cols-1">
        <GalleryFilters
          key={`${query.purpose}/${query.shelf}/${query.length}/${query.needs}`}
          query={query}
          choices={choices}
          counts={counts}
          brands={brands}
          brand={brand}
          products={products}
          product={product}
        />
        <section aria-label="Templates found">
          {drafts.length > 0 && (
            <p className="mb-4 text-[14px]">
              In the workshop, not published yet:{" "}
              {drafts.map(({ slug, name }, index) => (
                <span key={slug}>
                  {index > 0 && ", "}
                  <Link to={`/templates/${slug}/workshop`} className="underline">
                    {name}
                  </Link>
                </span>
              ))}
            </p>
          )}
          {!brand && (
            <p className="text-soft">
              Fill in your{" "}
              <Link to="/brand-book" className="underline">
                brand book
              </Link>{" "}
              first: previews are shown in your colours and typefaces.
            </p>
          )}
          {brand && cards.length === 0 && (
            <p className="text-soft">
              No template answers that. <NearWords near={near} otherwise="" />{" "}
              <Link to="/templates" className="underline">
                Show all
              </Link>
            </p>
          )}
          <ul className="grid grid-cols-2 gap-x-6 gap-y-8 max-lg:grid-cols-1 2xl:grid-cols-3">
            {facts &&
              brand &&
              cards.map((card, index) =>
                isLive || index < FIRST_CARDS ? (
                  <Card
                    key={card.ref.slug}
                    card={card}
                    facts={facts}
                    about={{ brand, product, offer }}
                    designs={designs}
                    previews={previews}
                  />
                ) : (
                  // Room for it, so that a page that is loaded again is scrolled to where it was.
                  <li key={card.ref.slug} className="h-[315px]" />
                ),
              )}
          </ul>
        </section>
      </div>
    </main>
  );
}

function Card({
  card,
  facts,
  about,
  designs,
  previews,
}: {
  card: GalleryCard;
  facts: Facts;
  /** What all of them are shown with. */
  about: { readonly brand: string; readonly product: string | null; readonly offer: string | null };
  designs: boolean;
  previews: Proofs | null;
}) {
  const { ref, fills, seconds, needs, favourite, own } = card;
  const { brand, product, offer } = about;
  const template = card.template ?? SHIPPED_BY_REF[templateKey(ref)];
  const document = useMemo(
    () => template && newPromotion(ref, template, { name: template.name, brand, product, offer, fills }),
    [ref, template, brand, product, offer, fills],
  );
  const shown = useMemo(
    () => (template && document ? factsFor(facts, { ref, template, document }) : facts),
    [facts, ref, template, document],
  );
  if (!template || !document) return null;
  return (
    <li className="flex flex-col" aria-label={template.name}>
      <TrioPreview previews={previews} document={document} facts={shown} name={template.name} />
      <div className="mt-2.5 flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-[18px] leading-tight">{template.name}</h2>
          <p className="mt-1 text-[13px] text-soft">
            <span className="inline-block first-letter:uppercase">{template.purpose}</span> <Dot />{" "}
            <span className="figures">{seconds} s</span> <Dot /> {needs}
            {own && (
              <>
                {" "}
                <Dot /> made by the team
              </>
            )}
          </p>
        </div>
        {designs &&
          (own ? (
            <Link
              to={`/templates/${ref.slug}/workshop`}
              aria-label={`${template.name} in the workshop`}
              title="Change it in the workshop"
              className="p-1.5 text-soft hover:text-ink"
            >
              <PencilRuler aria-hidden size={18} />
            </Link>
          ) : (
            <Form method="post">
              <input type="hidden" name="name" value={`${template.name}, ours`} />
              <input type="hidden" name="from" value={ref.slug} />
              <button
                type="submit"
                name="intent"
                value="start"
                aria-label={`Make ${template.name} our own`}
                title="Copy it into the workshop"
                className="p-1.5 text-soft hover:text-ink"
              >
                <PencilRuler aria-hidden size={18} />
              </button>
            </Form>
          ))}
        <a
          href={`/templates/${ref.slug}/package`}
          download
          aria-label={`Save ${template.name} as a package`}
          title="Save as a package (zip)"
          className="p-1.5 text-soft hover:text-ink"
        >
          <FileDown aria-hidden size={18} />
        </a>
        <Favourite slug={ref.slug} name={template.name} liked={favourite} />
        <ButtonLink
          to={`/promotions/new?template=${ref.slug}${product ? `&product=${product}` : ""}`}
          className="shrink-0 px-3.5! py-1.5!"
        >
          Fill
        </ButtonLink>
      </div>
      <p className="mt-1.5 text-[14px] leading-snug">{template.about}</p>
    </li>
  );
}

const Dot = () => (
  <span aria-hidden className="mx-1">
    ·
  </span>
);

/** What one preview shows: its own template and pictures only. */
function factsFor(
  facts: Facts,
  { ref, document, template }: { readonly ref: TemplateRef; readonly document: Promotion; readonly template: Template },
): Facts {
  const used = new Set([...mediaShown(document), ...mediaOfTemplate(template)]);
  if (facts.product?.picture) used.add(facts.product.picture);
  return {
    ...facts,
    media: Object.fromEntries(Object.entries(facts.media).filter(([id]) => used.has(id))),
    templates: { [templateKey(ref)]: template },
  };
}

function Favourite({ slug, name, liked }: { slug: string; name: string; liked: boolean }) {
  const fetcher = useFetcher();
  const shown = fetcher.formData ? fetcher.formData.get("liked") === "yes" : liked;
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="slug" value={slug} />
      <button
        type="submit"
        name="liked"
        value={shown ? "no" : "yes"}
        aria-pressed={shown}
        aria-label={`${name} is a favourite`}
        title={shown ? "One of my favourites" : "Make it a favourite"}
        className={`p-1.5 ${shown ? "text-accent" : "text-soft hover:text-ink"}`}
      >
        <Heart aria-hidden size={18} fill={shown ? "currentColor" : "none"} />
      </button>
    </fetcher.Form>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
