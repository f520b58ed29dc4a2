import { Form, data, useActionData, useNavigation } from "react-router";
import { useState } from "react";
import { plainAmount, money, writePrice } from "../../core/offer/money";
import { firstDay, lastDay, offerState, wallTime } from "../../core/offer/validity";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { saveOffer } from "../../server/catalogue/offers";
import { removeOffer, removeProduct, saveProduct } from "../../server/catalogue/products";
import { mediaList } from "../../server/media/mediaList";
import type { Route } from "./+types/catalogue";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { thumbAddress } from "../components/mediaLook";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const [products, offers, media] = await Promise.all([
    scope.products().selectAll().orderBy("name").execute(),
    scope.offers().selectAll().orderBy("starts_at").execute(),
    mediaList(scope),
  ]);
  const now = new Date();
  return {
    currency: team.currency,
    zone: team.zone,
    soon: { starts: wallTime(now, team.zone), ends: wallTime(new Date(now.getTime() + 7 * 86_400_000), team.zone) },
    pictures: media.flatMap(({ facts }) => (facts && facts.kind !== "sound" ? [facts] : [])),
    products: products.map((row) => {
      const price = money(row.price_minor, row.currency);
      return { id: row.id, name: row.name, line: row.line, picture: row.picture_media_id, typed: plainAmount(price), price: writePrice(price, team.locale) };
    }),
    offers: offers.map((row) => {
      const window = { startsAt: row.starts_at, endsAt: row.ends_at, zone: row.zone };
      const price = row.price_minor === null ? null : money(row.price_minor, row.currency);
      return {
        id: row.id, name: row.name, kind: row.kind, percent: row.percent, typed: price ? plainAmount(price) : "", state: offerState(window, now),
        says: price ? `now ${writePrice(price, team.locale)}` : `${row.percent ?? 0} % off`,
        starts: wallTime(row.starts_at, row.zone), ends: wallTime(row.ends_at, row.zone), until: lastDay(window, team.locale),
        from: firstDay(window, team.locale),
      };
    }),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, team } = await requireEditor(request);
  const form = await request.formData();
  // A pressed Remove comes after the form’s own intent.
  const intent = String(form.getAll("intent").sort((a, b) => Number(String(b).startsWith("remove")) - Number(String(a).startsWith("remove")))[0]);
  if (intent === "remove-product" || intent === "remove-offer") {
    const problem = await (intent === "remove-product" ? removeProduct : removeOffer)(scope, String(form.get("id")));
    return data({ intent, problem, problems: {} as Readonly<Record<string, string>>, saved: problem === null }, { status: problem ? 409 : 200 });
  }
  const result = intent === "product" ? await saveProduct(scope, team.currency, form) : await saveOffer(scope, team, form);
  return data({ intent, problem: null, problems: result.ok ? {} : result.problems, saved: result.ok }, { status: result.ok ? 200 : 422 });
}

const STATE_LOOK = { running: "bg-ready-pale text-ready", coming: "bg-warn-pale text-warn", ended: "bg-[#e9e1d0] text-soft" } as const;

type Loaded = Route.ComponentProps["loaderData"];

export default function Catalogue({ loaderData, actionData }: Route.ComponentProps) {
  const { products, offers, pictures } = loaderData;
  const [product, setProduct] = useState<string | null>(null);
  const [offer, setOffer] = useState<string | null>(null);
  const thumb = (id: string | null): string | null => {
    const facts = pictures.find((one) => one.id === id);
    return facts ? thumbAddress(facts, 120) : null;
  };
  return (
    <main className="flex-1 px-8 py-7">
      <PageHead title="Catalogue" about="What you sell, and what you promise about it." />
      {actionData?.problem && <Notice kind="wrong" className="mb-5">{actionData.problem}</Notice>}
      <div className="grid grid-cols-2 gap-10 max-lg:grid-cols-1">
        <section aria-label="Products">
          <div className="mb-3 flex items-center justify-between"><h2>Products</h2><Button onClick={() => setProduct("new")}>New product</Button></div>
          {product === "new" && <ProductForm loaded={loaderData} close={() => setProduct(null)} />}
          <ul className="divide-y divide-rule border-y border-rule">
            {products.length === 0 && <li className="py-8 text-center text-soft">No products yet. Add the first one you want to promote.</li>}
            {products.map((row) =>
              product === row.id ? <li key={row.id}><ProductForm loaded={loaderData} row={row} close={() => setProduct(null)} /></li> : (
                <li key={row.id} className="flex items-center gap-4 py-2.5">
                  <span className="flex h-14 w-14 shrink-0 items-center justify-center overflow-hidden bg-proof">{thumb(row.picture) && <img src={thumb(row.picture) ?? ""} alt="" className="h-full w-full object-cover" />}</span>
                  <div className="min-w-0 flex-1"><p className="font-semibold">{row.name}</p><p className="truncate text-sm text-soft">{row.line}</p></div>
                  <span className="figures">{row.price}</span>
                  <Button look="quiet" onClick={() => setProduct(row.id)} aria-label={`Change ${row.name}`}>Change</Button>
                </li>
              ),
            )}
          </ul>
        </section>
        <section aria-label="Offers">
          <div className="mb-3 flex items-center justify-between"><h2>Offers</h2><Button onClick={() => setOffer("new")}>New offer</Button></div>
          {offer === "new" && <OfferForm loaded={loaderData} close={() => setOffer(null)} />}
          <ul className="divide-y divide-rule border-y border-rule">
            {offers.length === 0 && <li className="py-8 text-center text-soft">No offers yet. An offer says what is lower, and from when to when.</li>}
            {offers.map((row) =>
              offer === row.id ? <li key={row.id}><OfferForm loaded={loaderData} row={row} close={() => setOffer(null)} /></li> : (
                <li key={row.id} className="flex items-center gap-4 py-3">
                  <span className={`w-20 px-2 py-0.5 text-center text-sm ${STATE_LOOK[row.state]}`}>{row.state}</span>
                  <div className="min-w-0 flex-1"><p className="font-semibold">{row.name}</p><p className="text-sm text-soft">{row.state === "coming" ? `from ${row.from}, until ${row.until}` : `until ${row.until}`}</p></div>
                  <span className="figures">{row.says}</span>
                  <Button look="quiet" onClick={() => setOffer(row.id)} aria-label={`Change ${row.name}`}>Change</Button>
                </li>
              ),
            )}
          </ul>
        </section>
      </div>
    </main>
  );
}

/** Closes a form once its save has come back well. */
function useSaved(intent: string, close: () => void) {
  const result = useActionData<typeof action>();
  const { state } = useNavigation();
  const [sent, setSent] = useState(false);
  if (sent && state === "idle" && result?.intent === intent && result.saved) queueMicrotask(close);
  return { problems: sent && result?.intent === intent ? result.problems : {}, busy: state !== "idle", onSubmit: () => setSent(true) };
}

const formLook = "my-3 grid grid-cols-2 gap-4 bg-card p-5";

function FormFoot({ busy, close, remove, id }: { busy: boolean; close: () => void; remove: string; id: string | undefined }) {
  return (
    <div className="col-span-2 flex items-center gap-4">
      <Button look="main" type="submit" disabled={busy}>Save</Button>
      <Button look="quiet" onClick={close}>Cancel</Button>
      {id && <button type="submit" name="intent" value={remove} formNoValidate className="ml-auto text-sm text-wrong hover:underline">Remove</button>}
    </div>
  );
}

function ProductForm({ loaded: { pictures, currency }, row, close }: { loaded: Loaded; row?: Loaded["products"][number]; close: () => void }) {
  const { problems, busy, onSubmit } = useSaved("product", close);
  return (
    <Form method="post" onSubmit={onSubmit} className={formLook} aria-label={row ? `Change ${row.name}` : "New product"}>
      <input type="hidden" name="id" value={row?.id ?? ""} />
      <Field label="Name" name="name" defaultValue={row?.name} problem={problems["name"]} autoFocus />
      <Field label="Price" hint={currency} name="price" inputMode="decimal" defaultValue={row?.typed} problem={problems["price"]} />
      <Field label="Short line" name="line" defaultValue={row?.line} problem={problems["line"]} className="col-span-2" />
      <Choice label="Picture" name="picture" defaultValue={row?.picture ?? ""} problem={problems["picture"]} options={[["", "none"], ...pictures.map(({ id, name }) => [id, name] as const)]} className="col-span-2" />
      <input type="hidden" name="intent" value="product" />
      <FormFoot busy={busy} close={close} remove="remove-product" id={row?.id} />
    </Form>
  );
}

function OfferForm({ loaded: { currency, zone, soon }, row, close }: { loaded: Loaded; row?: Loaded["offers"][number]; close: () => void }) {
  const { problems, busy, onSubmit } = useSaved("offer", close);
  const [kind, setKind] = useState<string>(row?.kind ?? "percent-off");
  return (
    <Form method="post" onSubmit={onSubmit} className={formLook} aria-label={row ? `Change ${row.name}` : "New offer"}>
      <input type="hidden" name="id" value={row?.id ?? ""} />
      <Field label="Name" name="name" defaultValue={row?.name} problem={problems["name"]} className="col-span-2" autoFocus />
      <Choice label="Kind" name="kind" value={kind} onChange={(event) => setKind(event.target.value)} options={[["percent-off", "percent off"], ["new-price", "new price"]]} />
      {kind === "percent-off" ? (
        <Field label="Percent" name="percent" inputMode="decimal" defaultValue={row?.percent ?? ""} problem={problems["percent"]} />
      ) : (
        <Field label="New price" hint={currency} name="price" inputMode="decimal" defaultValue={row?.typed} problem={problems["price"]} />
      )}
      <Field label="Starts" hint={zone} name="starts" type="datetime-local" defaultValue={row?.starts ?? soon.starts} problem={problems["starts"]} />
      <Field label="Ends" hint={zone} name="ends" type="datetime-local" defaultValue={row?.ends ?? soon.ends} problem={problems["ends"]} />
      <input type="hidden" name="intent" value="offer" />
      <FormFoot busy={busy} close={close} remove="remove-offer" id={row?.id} />
    </Form>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
