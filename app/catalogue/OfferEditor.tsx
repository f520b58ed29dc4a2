import { useRef, useState } from "react";
import { useFetcher } from "react-router";
import { type ProductFacts } from "../../core/document/facts";
import { type Money, plainAmount } from "../../core/offer/money";
import { ENDING_WAYS, type EndingWay, PRICE_ENDINGS } from "../../core/offer/priceEnding";
import { type OfferScope } from "../../core/offer/scope";
import { OFFER_KINDS, OFFER_KIND_NAMES, type OfferKind, type OfferTerms } from "../../core/offer/terms";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { useMarked } from "../components/useMarked";
import { useUnsaved } from "../components/useUnsaved";
import { SidePanel } from "../components/SidePanel";
import { type CatalogueAnswer } from "./answer";
import { ProductMarks } from "./ProductMarks";
import { OfferEffect, useOfferEffect } from "./OfferEffect";
import { useOnceSaved } from "../components/useOnceSaved";

/** An offer as its form shows it. */
export interface EditedOffer {
  readonly id: string;
  readonly name: string;
  readonly terms: OfferTerms;
  readonly on: OfferScope;
  readonly starts: string;
  readonly ends: string;
  readonly zone: string;
  readonly code: string;
  readonly small_print: string;
  readonly limits: string;
}

/** What is in an offer's scope, and can be put into it. */
export interface ScopeChoices {
  /** The products that it is for. */
  readonly products: readonly ProductFacts[];
  readonly tags: readonly string[];
}

/** All of one offer, beside the list. */
export function OfferEditor({
  offer,
  currency,
  zone,
  soon,
  choices,
  onClose,
}: {
  offer: EditedOffer | null;
  currency: string;
  zone: string;
  soon: { starts: string; ends: string };
  choices: ScopeChoices;
  onClose: (id: string | null) => void;
}) {
  const fetcher = useFetcher<CatalogueAnswer & { readonly id?: string }>();
  const [kind, setKind] = useState<OfferKind>(offer?.terms.kind ?? "percent-off");
  const problems = fetcher.data?.problems ?? {};
  const saved = fetcher.state === "idle" && fetcher.data?.saved === true;
  const id = fetcher.data?.id ?? null;
  useOnceSaved(saved, () => onClose(id));
  const { touch, close } = useUnsaved(() => onClose(null));
  const form = useRef<HTMLFormElement>(null);
  const { effect, tryOut } = useOfferEffect(form);
  const change = (): void => {
    touch();
    tryOut();
  };
  return (
    <SidePanel title={offer ? offer.name : "New offer"} onClose={close}>
      <fetcher.Form
        onChange={change}
        ref={form}
        method="post"
        aria-label={offer ? `Change ${offer.name}` : "New offer"}
        className="grid grid-cols-2 gap-4"
      >
        <input type="hidden" name="id" value={offer?.id ?? ""} />
        <Field
          label="Name"
          name="name"
          defaultValue={offer?.name}
          problem={problems["name"]}
          className="col-span-2"
          autoFocus
        />
        <Choice
          label="Kind"
          name="kind"
          value={kind}
          problem={problems["kind"]}
          onChange={(event) => setKind(OFFER_KINDS.find((one) => one === event.target.value) ?? kind)}
          options={OFFER_KINDS.map((one) => [one, OFFER_KIND_NAMES[one]])}
          className="col-span-2"
        />
        <TermsFields kind={kind} terms={offer?.terms ?? null} currency={currency} problems={problems} />
        <ScopeFields scope={offer?.on ?? { on: "all" }} choices={choices} problems={problems} />
        <OfferEffect effect={effect} />
        <Field
          label="Starts"
          name="starts"
          type="datetime-local"
          defaultValue={offer?.starts ?? soon.starts}
          problem={problems["starts"]}
        />
        <Field
          label="Ends"
          name="ends"
          type="datetime-local"
          defaultValue={offer?.ends ?? soon.ends}
          problem={problems["ends"]}
        />
        <Field label="Time zone" name="zone" defaultValue={offer?.zone ?? zone} problem={problems["zone"]} />
        <Field
          label="Code at the till"
          hint="optional"
          name="code"
          defaultValue={offer?.code}
          problem={problems["code"]}
        />
        <Field
          label="Limits"
          hint="such as 3 a person"
          name="limits"
          defaultValue={offer?.limits}
          problem={problems["limits"]}
          className="col-span-2"
        />
        <Field
          label="Terms"
          hint="small print"
          name="small_print"
          defaultValue={offer?.small_print}
          problem={problems["small_print"]}
          className="col-span-2"
        />
        {fetcher.data?.problem && (
          <Notice kind="wrong" className="col-span-2">
            {fetcher.data.problem}
          </Notice>
        )}
        <div className="col-span-2 flex items-center gap-4 border-t border-rule pt-4">
          <Button look="main" type="submit" name="intent" value="offer" disabled={fetcher.state !== "idle"}>
            Save
          </Button>
          <Button look="quiet" onClick={close}>
            Cancel
          </Button>
          {offer && (
            <button
              type="submit"
              name="intent"
              value="remove-offer"
              formNoValidate
              className="ml-auto text-sm text-wrong hover:underline"
            >
              Remove
            </button>
          )}
        </div>
      </fetcher.Form>
    </SidePanel>
  );
}

const ENDING_WAY_WORDS: Readonly<Record<EndingWay, string>> = { down: "down", nearest: "nearest", up: "up" };

type Problems = Readonly<Record<string, string>>;

/** The fields a kind needs; what an offer of that kind says already stands in them. */
function TermsFields({
  kind,
  terms,
  currency,
  problems,
}: {
  kind: OfferKind;
  terms: OfferTerms | null;
  currency: string;
  problems: Problems;
}) {
  const own = terms?.kind === kind ? terms : null;
  const amount = (money: Money | null | undefined): string => (money ? plainAmount(money) : "");
  const ends = own && "ending" in own ? own : null;
  const ending = (
    <div className="grid grid-cols-2 gap-2">
      <Choice
        label="Price ends in"
        name="ending"
        defaultValue={ends?.ending ?? "exact"}
        problem={problems["ending"]}
        options={PRICE_ENDINGS.map((one) => [one, one === "exact" ? "as it is" : one])}
      />
      <Choice
        label="Rounded"
        name="endingWay"
        defaultValue={ends?.endingWay ?? "down"}
        problem={problems["endingWay"]}
        options={ENDING_WAYS.map((way) => [way, ENDING_WAY_WORDS[way]])}
      />
    </div>
  );
  switch (kind) {
    case "percent-off":
      return (
        <>
          <Field
            label="Percent"
            name="percent"
            inputMode="decimal"
            defaultValue={own?.kind === "percent-off" ? own.percent : ""}
            problem={problems["percent"]}
          />
          {ending}
        </>
      );
    case "money-off":
      return (
        <>
          <Field
            label="Amount off"
            hint={currency}
            name="amount"
            inputMode="decimal"
            defaultValue={own?.kind === "money-off" ? amount(own.amount) : ""}
            problem={problems["amount"]}
          />
          {ending}
        </>
      );
    case "new-price":
    case "bundle-price":
      return (
        <Field
          label={kind === "new-price" ? "New price" : "Price together"}
          hint={currency}
          name="price"
          inputMode="decimal"
          defaultValue={own && "price" in own ? amount(own.price) : ""}
          problem={problems["price"]}
          className="col-span-2"
        />
      );
    case "buy-x-get-y":
      return (
        <>
          <Field
            label="Pieces paid for"
            name="buy"
            inputMode="numeric"
            defaultValue={own?.kind === "buy-x-get-y" ? own.buy : 2}
            problem={problems["buy"]}
          />
          <Field
            label="Pieces free"
            hint="the cheapest"
            name="free"
            inputMode="numeric"
            defaultValue={own?.kind === "buy-x-get-y" ? own.free : 1}
            problem={problems["free"]}
          />
        </>
      );
    case "n-for":
      return (
        <>
          <Field
            label="Pieces"
            name="count"
            inputMode="numeric"
            defaultValue={own?.kind === "n-for" ? own.count : 3}
            problem={problems["count"]}
          />
          <Field
            label="Price of them together"
            hint={currency}
            name="price"
            inputMode="decimal"
            defaultValue={own?.kind === "n-for" ? amount(own.price) : ""}
            problem={problems["price"]}
          />
        </>
      );
    case "gift":
    case "free-delivery":
      return (
        <>
          {kind === "gift" && (
            <Field
              label="The gift"
              hint="such as trowel"
              name="gift"
              defaultValue={own?.kind === "gift" ? own.gift : ""}
              problem={problems["gift"]}
            />
          )}
          <Field
            label="From a spend of"
            hint={`${currency}, optional`}
            name="leastSpend"
            inputMode="decimal"
            defaultValue={own && "leastSpend" in own ? amount(own.leastSpend) : ""}
            problem={problems["leastSpend"]}
            className={kind === "gift" ? "" : "col-span-2"}
          />
        </>
      );
    case "announcement":
      return (
        <Field
          label="Announcement"
          name="text"
          defaultValue={own?.kind === "announcement" ? own.text : ""}
          problem={problems["text"]}
          className="col-span-2"
        />
      );
  }
}

/** What the offer is for: everything, products marked in a list, or tags. */
function ScopeFields({ scope, choices, problems }: { scope: OfferScope; choices: ScopeChoices; problems: Problems }) {
  const [on, setOn] = useState<string>(scope.on);
  // Here, so that they stay while the offer is for something else for a moment.
  const { marked, toggle } = useMarked(scope.on === "products" ? scope.products : []);
  return (
    <>
      <Choice
        label="The offer is for"
        name="on"
        value={on}
        onChange={(event) => setOn(event.target.value)}
        options={[
          ["all", "all products"],
          ["products", "chosen products"],
          ["tags", "products with tags"],
        ]}
        className="col-span-2"
      />
      {on === "tags" && (
        <Field
          label="Tags"
          hint={choices.tags.slice(0, 6).join(", ")}
          name="tags"
          defaultValue={scope.on === "tags" ? scope.tags.join(", ") : ""}
          problem={problems["tags"]}
          className="col-span-2"
        />
      )}
      {on === "products" && (
        <ProductMarks before={choices.products} marked={marked} onToggle={toggle} problem={problems["products"]} />
      )}
    </>
  );
}
