import { counted } from "../../core/text/counted";
import { data, useFetcher } from "react-router";
import { momentFormat } from "../../core/text/formatters";
import { requirePerson, endOneSession, endOtherSessions } from "../../server/auth/sessions";
import { changePassword, renamePerson, sessionsOf } from "../../server/people/ownProfile";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import type { Route } from "./+types/you";
import { type PeopleAnswer, peopleAnswer } from "../people/peopleAnswer";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { NewPasswordField } from "../components/NewPasswordField";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";

export async function loader({ request }: Route.LoaderArgs) {
  const person = await requirePerson(request);
  const { name, email, role, team } = person;
  const when = momentFormat(team);
  const sessions = await sessionsOf(person);
  return {
    ...{ name, email, role, team: team.name },
    sessions: sessions.map(({ startedAt, ...session }) => ({ ...session, since: when.format(startedAt) })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const person = await requirePerson(request);
  const form = await formOf(request);
  switch (formText(form, "intent")) {
    case "name": {
      const read = await renamePerson(person, form);
      return read.ok ? peopleAnswer({ done: "Your name is changed." }) : failed({ problems: read.problems });
    }
    case "password": {
      const read = await changePassword(person, form);
      if (!read.ok) return failed({ problems: read.problems });
      const { ended } = read.values;
      return peopleAnswer({
        done: `Your password is changed.${ended > 0 ? ` You are signed out on ${counted(ended, "other device")}.` : ""}`,
      });
    }
    case "end-session":
      await endOneSession(person.id, readIds(formText(form, "id"))[0] ?? NO_ID);
      return peopleAnswer({ done: "That session is ended." });
    case "end-others":
      await endOtherSessions(person.id, person.session);
      return peopleAnswer({ done: "All other sessions are ended." });
    default:
      throw new Response("Your page does not know what to do with that.", { status: 400 });
  }
}

const failed = (change: Partial<PeopleAnswer>) => data(peopleAnswer(change), { status: 422 });

export default function You({ loaderData: { name, email, role, team, sessions } }: Route.ComponentProps) {
  const naming = useFetcher<PeopleAnswer>();
  const securing = useFetcher<PeopleAnswer>();
  const ending = useFetcher<PeopleAnswer>();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="You" about={`${email}, ${role} in ${team}.`} />
      <div className="grid max-w-5xl grid-cols-2 gap-10 max-lg:grid-cols-1">
        <section aria-label="Name and password" className="flex flex-col gap-8">
          <naming.Form method="post" className="flex flex-col gap-3 bg-card p-6">
            <h2>Name</h2>
            <Said answer={naming.data} />
            <Field
              label="As colleagues see it"
              name="name"
              defaultValue={name}
              autoComplete="name"
              problem={naming.data?.problems["name"]}
            />
            <Button type="submit" name="intent" value="name" className="self-start">
              Change name
            </Button>
          </naming.Form>
          <securing.Form method="post" className="flex flex-col gap-3 bg-card p-6">
            <h2>Password</h2>
            <Said answer={securing.data} />
            <Field
              label="The one you have"
              name="current"
              type="password"
              autoComplete="current-password"
              problem={securing.data?.problems["current"]}
            />
            <NewPasswordField label="Another one" problem={securing.data?.problems["password"]} />
            <p className="text-sm text-soft">You are signed out everywhere else when it is changed.</p>
            <Button type="submit" name="intent" value="password" className="self-start">
              Change password
            </Button>
          </securing.Form>
        </section>
        <section aria-label="Where you are signed in">
          <h2 className="mb-3">Where you are signed in</h2>
          <Said answer={ending.data} />
          <ul className="divide-y divide-rule border-y border-rule">
            {sessions.map(({ id, device, since, isThis }) => (
              <li key={id} className="flex items-center justify-between gap-4 py-3">
                <span>
                  {device}
                  {isThis && <strong className="ml-2 text-ready">this one</strong>}
                  <br />
                  <span className="text-sm text-soft">since {since}</span>
                </span>
                {!isThis && (
                  <ending.Form method="post">
                    <input type="hidden" name="id" value={id} />
                    <Button
                      type="submit"
                      name="intent"
                      value="end-session"
                      aria-label={`End the session since ${since}`}
                    >
                      End
                    </Button>
                  </ending.Form>
                )}
              </li>
            ))}
          </ul>
          {sessions.length > 1 && (
            <ending.Form method="post" className="mt-4">
              <Button type="submit" name="intent" value="end-others">
                End all others
              </Button>
            </ending.Form>
          )}
        </section>
      </div>
    </main>
  );
}

function Said({ answer }: { answer: PeopleAnswer | undefined }) {
  return answer?.done ? <Notice kind="ready">{answer.done}</Notice> : null;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
