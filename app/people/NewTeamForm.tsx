import { type FetcherWithComponents } from "react-router";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { LinkToHand } from "./LinkToHand";
import { type PeopleAnswer } from "./peopleAnswer";

/** Makes another team on the instance; what comes is a link for its owner. */
export function NewTeamForm({
  fetcher,
  currencies,
  currency,
  zone,
}: {
  fetcher: FetcherWithComponents<PeopleAnswer>;
  currencies: readonly string[];
  currency: string;
  zone: string;
}) {
  const said = fetcher.data;
  return (
    <section aria-label="Make a team">
      <fetcher.Form method="post" className="flex flex-col gap-3 bg-card p-6">
        <h2>Make a team</h2>
        {said?.done && <Notice kind="ready">{said.done}</Notice>}
        {said?.problem && <Notice kind="wrong">{said.problem}</Notice>}
        {said?.link && <LinkToHand path={said.link} />}
        <Field label="Business" name="name" autoComplete="off" maxLength={60} />
        <Choice
          label="Currency"
          name="currency"
          defaultValue={currency}
          options={currencies.map((code) => [code, code] as const)}
        />
        <Field label="Time zone" name="zone" defaultValue={zone} />
        <Button look="main" type="submit" className="self-start">
          Make it
        </Button>
      </fetcher.Form>
    </section>
  );
}
