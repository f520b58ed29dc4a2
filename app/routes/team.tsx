import { counted } from "../../core/text/counted";
import { data, useFetcher } from "react-router";
import { Refusal } from "../../core/refusal";
import { dateFormat, momentFormat } from "../../core/text/formatters";
import { requireOwner, requirePerson } from "../../server/auth/sessions";
import { ROLES } from "../../server/db/tables";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { enqueue } from "../../server/jobs/enqueue";
import { INVITE_DAYS, invite, passwordLink, revokeInvitation } from "../../server/people/invitations";
import { deedsOf, noteDeed } from "../../server/people/deeds";
import { changeRole, handOver, membersOf, openInvitations, removeMember } from "../../server/people/members";
import { spaceOf } from "../../server/retention/spaceUsed";
import type { Route } from "./+types/team";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { PageHead } from "../components/PageHead";
import { DeedList } from "../people/DeedList";
import { PeopleSaid } from "../people/PeopleSaid";
import { MemberRow } from "../people/MemberRow";
import { type PeopleAnswer, peopleAnswer } from "../people/peopleAnswer";
import { SpaceUsed } from "../people/SpaceUsed";

export async function loader({ request }: Route.LoaderArgs) {
  const { id, role, team, scope } = await requirePerson(request);
  const day = dateFormat(team.locale, { dateStyle: "medium", timeZone: team.zone });
  const time = momentFormat(team);
  const owns = role === "owner";
  const [members, invitations, space, done] = await Promise.all([
    membersOf(scope),
    owns ? openInvitations(scope) : [],
    owns ? spaceOf(scope) : null,
    owns ? deedsOf(scope, new URL(request.url).searchParams.get("before") ?? "") : null,
  ]);
  return {
    owns,
    name: team.name,
    members: members.map(({ joinedAt, ...member }) => ({
      ...member,
      since: day.format(joinedAt),
      isYou: member.id === id,
    })),
    invitations: invitations.map(({ expiresAt, ...one }) => ({ ...one, until: time.format(expiresAt) })),
    space: space && { countedAt: time.format(space.countedAt), kinds: space.kinds },
    done: done && { more: done.more, deeds: done.deeds.map(({ at, ...deed }) => ({ ...deed, at: time.format(at) })) },
    choices: { roles: ROLES, days: INVITE_DAYS },
  };
}

export async function action({ request }: Route.ActionArgs) {
  const person = await requireOwner(request);
  const form = await formOf(request);
  const id = readIds(formText(form, "id"))[0] ?? NO_ID;
  const whom = (await membersOf(person.scope)).find((member) => member.id === id)?.name ?? "somebody";
  const did = (words: string): Promise<void> => noteDeed(person.scope, person.name, words);
  const linkTo = (token: string): string => new URL(`/join/${token}`, request.url).pathname;
  try {
    switch (formText(form, "intent")) {
      case "invite": {
        const made = await invite(person, form);
        if (!made.ok) return data(peopleAnswer({ problems: made.problems }), { status: 422 });
        await did(
          `invited somebody as ${formText(form, "role")}${formText(form, "note") && `: ${formText(form, "note")}`}`,
        );
        return peopleAnswer({
          link: linkTo(made.values.token),
          done: "Whoever opens this link joins. It is good once.",
        });
      }
      case "password-link": {
        const token = await passwordLink(person, id);
        if (token === null) throw new Refusal("That person is not in your team any more.");
        await did(`made a link for another password of ${whom}`);
        return peopleAnswer({
          link: linkTo(token),
          done: "Whoever opens this link chooses that person's password. It is good once, for a day.",
        });
      }
      case "revoke":
        await revokeInvitation(person, id);
        await did("took a link back");
        return peopleAnswer({ done: "The link is taken back." });
      case "role":
        await changeRole(person, id, formText(form, "role"));
        await did(`made ${whom} ${formText(form, "role")}`);
        return peopleAnswer({ done: "The role is changed." });
      case "remove":
        await removeMember(person, id);
        await did(`took ${whom} out of the team`);
        return peopleAnswer({ done: "That person is out of the team, and signed out everywhere." });
      case "hand-over":
        await handOver(person, id);
        await did(`handed the team over to ${whom}`);
        return peopleAnswer({ done: "The team has another owner. You are a designer now." });
      case "count-space":
        await enqueue(person.scope.connection, "tidy-up", {});
        return peopleAnswer({ done: "It is being counted. Load this page again in a moment." });
      default:
        throw new Response("The team's page does not know what to do with that.", { status: 400 });
    }
  } catch (error) {
    if (error instanceof Refusal) return data(peopleAnswer({ problem: error.message }), { status: 409 });
    throw error;
  }
}

export default function Team({
  loaderData: { owns, name, members, invitations, space, done, choices },
}: Route.ComponentProps) {
  const inviting = useFetcher<PeopleAnswer>();
  const changing = useFetcher<PeopleAnswer>();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Team" about={`The people of ${name}${owns ? ", and the space that is used" : ""}.`} />
      <div className="grid max-w-6xl grid-cols-[minmax(0,3fr)_minmax(300px,2fr)] gap-10 max-lg:grid-cols-1">
        <section aria-label="People">
          <h2 className="mb-3">People</h2>
          <PeopleSaid said={changing.data} />
          {!owns && <p className="mb-3 text-sm text-soft">Only an owner of the team changes who is in it.</p>}
          <ul className="divide-y divide-rule border-y border-rule">
            {members.map((member) => (
              <MemberRow key={member.id} member={member} owns={owns} roles={choices.roles} fetcher={changing} />
            ))}
          </ul>
          {invitations.length > 0 && (
            <>
              <h2 className="mt-8 mb-3">Links that are good still</h2>
              <ul className="divide-y divide-rule border-y border-rule">
                {invitations.map(({ id, role, note, isPassword, until }) => (
                  <li key={id} className="flex items-center justify-between gap-4 py-3">
                    <span>
                      {isPassword ? `Another password for ${note}` : `A ${role}${note ? `: ${note}` : ""}`}
                      <br />
                      <span className="text-sm text-soft">until {until}</span>
                    </span>
                    <changing.Form method="post">
                      <input type="hidden" name="id" value={id} />
                      <Button type="submit" name="intent" value="revoke">
                        Take back
                      </Button>
                    </changing.Form>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
        {owns && (
          <div className="flex flex-col gap-10">
            <section aria-label="Invite a colleague">
              <inviting.Form method="post" className="flex flex-col gap-3 bg-card p-6">
                <h2>Invite a colleague</h2>
                <PeopleSaid said={inviting.data} />
                <Choice
                  label="Role"
                  name="role"
                  defaultValue="marketer"
                  options={choices.roles.map((role) => [role, role] as const)}
                  problem={inviting.data?.problems["role"]}
                />
                <Field
                  label="For whom"
                  name="note"
                  hint="for you to remember"
                  problem={inviting.data?.problems["note"]}
                />
                <Choice
                  label="Good for"
                  name="days"
                  defaultValue="7"
                  options={choices.days.map((days) => [String(days), counted(days, "day")] as const)}
                />
                <Button look="main" type="submit" name="intent" value="invite" className="self-start">
                  Make a link
                </Button>
              </inviting.Form>
            </section>
            <SpaceUsed space={space} fetcher={changing} />
          </div>
        )}
      </div>
      {done && <DeedList {...done} />}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
