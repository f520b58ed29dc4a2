import { type FetcherWithComponents } from "react-router";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { PeopleSaid } from "./PeopleSaid";
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
  return (
    <section aria-label="Make a team">
      <fetcher.Form method="post" className="flex flex-col gap-3 bg-card p-6">
        <h2>Make a team</h2>
        <PeopleSaid said={fetcher.data} />
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
