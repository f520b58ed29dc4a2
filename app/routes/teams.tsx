import { data, useFetcher } from "react-router";
import { Refusal } from "../../core/refusal";
import { CURRENCIES } from "../../server/auth/setUp";
import { requireOperator } from "../../server/auth/sessions";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { makeTeam, teamsHere } from "../../server/people/newTeam";
import type { Route } from "./+types/teams";
import { PageHead } from "../components/PageHead";
import { NewTeamForm } from "../people/NewTeamForm";
import { type PeopleAnswer, peopleAnswer } from "../people/peopleAnswer";
import { TeamTable } from "../people/TeamTable";

export async function loader({ request }: Route.LoaderArgs) {
  const { team } = await requireOperator(request);
  return { teams: await teamsHere(), own: team.id, zone: team.zone, currency: team.currency, currencies: CURRENCIES };
}

export async function action({ request }: Route.ActionArgs) {
  await requireOperator(request);
  const form = await formOf(request);
  const [name, currency, zone] = [formText(form, "name"), formText(form, "currency"), formText(form, "zone")];
  try {
    const token = await makeTeam({ name, currency, zone });
    return peopleAnswer({
      link: new URL(`/join/${token}`, request.url).pathname,
      done: `“${name.trim()}” is made. Whoever opens this link becomes its owner. It is good once, for a week.`,
    });
  } catch (error) {
    if (error instanceof Refusal) return data(peopleAnswer({ problem: error.message }), { status: 422 });
    throw error;
  }
}

export default function Teams({ loaderData: { teams, own, zone, currency, currencies } }: Route.ComponentProps) {
  const making = useFetcher<PeopleAnswer>();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Teams here" about="Every team on this Stencilcraft. Each is closed to all the others." />
      <div className="grid max-w-6xl grid-cols-[minmax(0,3fr)_minmax(300px,2fr)] gap-10 max-lg:grid-cols-1">
        <TeamTable teams={teams} own={own} />
        <NewTeamForm fetcher={making} currencies={currencies} currency={currency} zone={zone} />
      </div>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
