import { clsx } from "clsx";
import { Link, data, useSearchParams } from "react-router";
import { TriangleAlert } from "lucide-react";
import { STACKING_RULE } from "../../core/offer/stacking";
import { wallTime } from "../../core/offer/validity";
import { formText } from "../../server/formText";
import { readIds } from "../../server/ids";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { removeOffer, saveOffer } from "../../server/catalogue/offers";
import { type OfferSheetRow, SHEET_ROWS, listOffers, offerSheet } from "../../server/catalogue/offerSheet";
import { chosenProducts } from "../../server/catalogue/offeredProducts";
import { productTags } from "../../server/catalogue/productList";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/offers";
import { answer } from "../catalogue/answer";
import { outdatedWords } from "../components/outdatedWords";
import { OfferEditor } from "../catalogue/OfferEditor";
import { ButtonLink } from "../components/Button";
import { OfferCalendar } from "../components/OfferCalendar";
import { PageHead } from "../components/PageHead";
import { CATALOGUE_TABS } from "../catalogue/tabs";
import { Tabs } from "../components/Tabs";
import { ScrollBox } from "../components/ScrollBox";
import { ForEditors } from "../components/ForEditors";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const now = new Date();
  const offers = await listOffers(scope, team.locale, now);
  const shown =
    offers.find(({ id }) => id === params.get("offer")) ??
    offers.find(({ state }) => state === "running") ??
    offers[0] ??
    null;
  const editing = params.get("edit") ?? "";
  const edited = offers.find(({ id }) => id === editing) ?? null;
  const [sheet, products, tags] = await Promise.all([
    shown ? offerSheet(scope, shown.id, team.locale) : null,
    edited?.on.on === "products" ? chosenProducts(scope, edited.on.products, team.locale) : null,
    editing ? productTags(scope) : [],
  ]);
  return {
    currency: team.currency,
    zone: team.zone,
    offers,
    shown: shown?.id ?? null,
    sheet,
    most: SHEET_ROWS,
    today: wallTime(now, team.zone).slice(0, 10),
    soon: {
      starts: `${wallTime(now, team.zone).slice(0, 10)}T00:00`,
      ends: `${wallTime(new Date(now.getTime() + 8 * 86_400_000), team.zone).slice(0, 10)}T00:00`,
    },
    editing,
    edited,
    choices: { products: Object.values(products ?? {}), tags },
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, team } = await requireEditor(request);
  const form = await formOf(request);
  if (formText(form, "intent") === "remove-offer") {
    const [id] = readIds(formText(form, "id"));
    const problem = id ? await removeOffer(scope, id) : "There is no such offer in your team.";
    return data({ ...answer({ saved: problem === null, problem }), id: undefined }, { status: problem ? 409 : 200 });
  }
  const result = await saveOffer(scope, team, form);
  if (!result.ok) return data({ ...answer({ problems: result.problems }), id: undefined }, { status: 422 });
  return { ...answer({ saved: true, done: `Saved.${outdatedWords(result.values.outdated)}` }), id: result.values.id };
}

const STATE_LOOK = {
  running: "bg-ready-pale text-ready",
  coming: "bg-warn-pale text-warn",
  ended: "bg-[#e9e1d0] text-soft",
} as const;
const STATES = ["running", "coming", "ended"] as const;

export default function Offers({
  loaderData: { currency, zone, offers, shown, sheet, most, today, soon, editing, edited, choices },
}: Route.ComponentProps) {
  const [, setParams] = useSearchParams();
  const close = (id: string | null): void =>
    setParams(
      (before) => {
        before.delete("edit");
        if (id) before.set("offer", id);
        return before;
      },
      { replace: true, preventScrollReset: true },
    );
  const offer = offers.find(({ id }) => id === shown);
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Catalogue" about="What you sell, and what you promise about it.">
        <ForEditors>
          <ButtonLink look="main" to="?edit=new" preventScrollReset>
            New offer
          </ButtonLink>
        </ForEditors>
      </PageHead>
      <Tabs label="Catalogue" tabs={CATALOGUE_TABS} />
      <div className="grid grid-cols-[340px_minmax(0,1fr)] gap-10 max-lg:grid-cols-1">
        <aside aria-label="Offers" className="flex flex-col gap-6">
          <OfferCalendar
            today={today}
            weeks={4}
            offers={offers
              .filter(({ state }) => state !== "ended")
              .map(({ id, name, days }) => ({ id, name, ...days }))}
          />
          {offers.length === 0 && (
            <p className="border border-dashed border-firm p-8 text-center text-soft">
              No offers yet. An offer says what is lower, and from when to when.
            </p>
          )}
          {STATES.map((state) => {
            const group = offers.filter((one) => one.state === state);
            return (
              group.length > 0 && (
                <section key={state} aria-label={state}>
                  <h2 className={`mb-1 inline-block px-2 py-0.5 font-sans text-sm font-normal ${STATE_LOOK[state]}`}>
                    {state}
                  </h2>
                  <ul className="divide-y divide-rule border-y border-rule">
                    {group.map((one) => (
                      <li key={one.id}>
                        <Link
                          to={`?offer=${one.id}`}
                          preventScrollReset
                          aria-current={one.id === shown ? "true" : undefined}
                          className={clsx(
                            "block border-l-4 px-3 py-2.5",
                            one.id === shown ? "border-l-accent bg-card" : "border-l-transparent hover:bg-card",
                          )}
                        >
                          <span className="flex items-baseline justify-between gap-3">
                            <span className="font-semibold">{one.name}</span>
                            <span className="figures">{one.badge}</span>
                          </span>
                          <span className="text-sm text-soft">
                            {state === "coming" ? `from ${one.from}, until ${one.until}` : `until ${one.until}`}
                          </span>
                        </Link>
                      </li>
                    ))}
                  </ul>
                </section>
              )
            );
          })}
        </aside>
        {offer && sheet && (
          <section aria-label={offer.name} className="min-w-0">
            <div className="mb-1 flex items-baseline gap-4">
              <h2 className="text-xl">{offer.name}</h2>
              <span className="figures">{offer.badge}</span>
              <Link
                to={`?offer=${offer.id}&edit=${offer.id}`}
                preventScrollReset
                aria-label={`Change ${offer.name}`}
                className="ml-auto font-semibold underline underline-offset-2"
              >
                Change
              </Link>
            </div>
            <p className="mb-4 text-sm text-soft">
              {[
                `${offer.from} to ${offer.until}`,
                offer.zone,
                offer.code && `code ${offer.code}`,
                offer.limits,
                offer.small_print,
              ]
                .filter(Boolean)
                .join(" · ")}
            </p>
            <Sheet rows={sheet.rows} />
            {sheet.count > most && (
              <p className="mt-2 text-sm text-soft">
                The first {most} of {sheet.count} products.
              </p>
            )}
            {sheet.count === 0 && (
              <p className="border border-dashed border-firm p-10 text-center text-soft">
                No product is in the scope of this offer.
              </p>
            )}
            <p className="mt-4 text-sm text-soft">
              {STACKING_RULE} Percentages are rounded down, and a saving is what is really saved: nothing is ever
              overstated.
            </p>
          </section>
        )}
      </div>
      {editing !== "" && (edited || editing === "new") && (
        <OfferEditor
          key={editing}
          offer={edited}
          currency={currency}
          zone={zone}
          soon={soon}
          choices={choices}
          onClose={close}
        />
      )}
    </main>
  );
}

function Sheet({ rows }: { rows: readonly OfferSheetRow[] }) {
  if (rows.length === 0) return null;
  return (
    <ScrollBox label="What it comes to">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-ink text-sm text-soft">
            {["Product", "Was", "Now", "Saving", "Shown", "Per unit after"].map((head, index) => (
              <th key={head} scope="col" className={`py-1.5 font-normal ${index > 0 ? "pl-4 text-right" : ""}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-y divide-rule border-b border-rule">
          {rows.map((row) => (
            <tr key={row.id} className="align-top">
              <td className="max-w-96 py-2">
                <span className="font-semibold">{row.name}</span>
                {row.long && <span className="block text-sm text-soft">{row.long}</span>}
                {row.reason && <Finding>{row.reason}</Finding>}
                {row.finding && <Finding>{row.finding}</Finding>}
                {row.instead && (
                  <Finding>“{row.instead}” makes it cheaper at the same time and applies instead.</Finding>
                )}
              </td>
              <td
                className={`py-2.5 pl-4 text-right figures whitespace-nowrap ${row.now && row.saving ? "text-soft line-through" : ""}`}
              >
                {row.was}
              </td>
              <td className="py-2.5 pl-4 text-right figures font-semibold whitespace-nowrap">{row.now}</td>
              <td className="py-2.5 pl-4 text-right figures whitespace-nowrap">{row.saving}</td>
              <td className="py-2.5 pl-4 text-right figures whitespace-nowrap">{row.percent}</td>
              <td className="py-2.5 pl-4 text-right figures whitespace-nowrap text-soft">{row.unit}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollBox>
  );
}

const Finding = ({ children }: { children: React.ReactNode }) => (
  <span className="mt-1 flex items-start gap-1.5 text-sm text-warn">
    <TriangleAlert aria-hidden size={14} className="mt-0.5 shrink-0" />
    <span>{children}</span>
  </span>
);

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
