import { type ChangeEvent } from "react";
import { Form, Link, useSearchParams, useSubmit } from "react-router";
import { type PromotionChoices, type PromotionQuery } from "../../server/promotions/promotionList";
import { Choice, Field } from "../components/Field";

type Options = readonly (readonly [value: string, text: string])[];

const ALL: Options[number] = ["", "All"];
/** What is typed or chosen there narrows the list further; it is folded away until it is wanted. */
const FURTHER = ["product", "template", "by", "from", "until"] as const;

/** By what the list of promotions is searched and narrowed. What is chosen stands in the address. */
export function PromotionFilters({
  query,
  states,
  sorts,
  choices: { campaigns, products, templates, people },
}: {
  query: PromotionQuery;
  states: Options;
  sorts: Options;
  choices: PromotionChoices;
}) {
  const submit = useSubmit();
  const [params] = useSearchParams();
  const ask = ({ currentTarget }: ChangeEvent<HTMLFormElement>): void => void submit(currentTarget, { replace: true });
  const further = FURTHER.filter((name) => query[name] !== "").length;
  const cleared = new URLSearchParams(params);
  for (const name of [...FURTHER, "page"]) cleared.delete(name);
  return (
    <Form role="search" onChange={ask} className="mb-5 max-w-5xl">
      <input type="hidden" name="view" value={query.view} />
      <div className="grid grid-cols-[minmax(0,2fr)_repeat(3,minmax(0,1fr))] gap-4 max-md:grid-cols-2">
        <Field
          className="max-md:col-span-2"
          label="Search"
          name="words"
          type="search"
          placeholder="name"
          defaultValue={query.words}
        />
        <Choice label="State" name="state" defaultValue={query.state} options={states} />
        <Choice
          label="Campaign"
          name="campaign"
          defaultValue={query.campaign}
          options={[ALL, ...campaigns.map((name) => [name, name] as const)]}
        />
        <Choice label="In order" name="sort" defaultValue={query.sort} options={sorts} />
      </div>
      <details className="mt-3" open={further > 0}>
        <summary className="w-fit cursor-pointer text-sm text-soft underline-offset-4 hover:text-ink hover:underline">
          Narrow it further{further > 0 && ` (${further})`}
        </summary>
        <div className="mt-3 grid grid-cols-[repeat(3,minmax(0,1fr))_9.5rem_9.5rem] gap-4 max-md:grid-cols-2">
          <Choice
            className="max-md:col-span-2"
            label="Product"
            name="product"
            defaultValue={query.product}
            options={[ALL, ...products]}
          />
          <Choice label="Template" name="template" defaultValue={query.template} options={[ALL, ...templates]} />
          <Choice label="Made by" name="by" defaultValue={query.by} options={[ALL, ...people]} />
          <Field label="Changed from" name="from" type="date" defaultValue={query.from} />
          <Field label="Until" name="until" type="date" defaultValue={query.until} />
        </div>
        {further > 0 && (
          <Link to={`?${cleared}`} reloadDocument className="mt-2 inline-block text-sm underline">
            Take these away
          </Link>
        )}
      </details>
    </Form>
  );
}
