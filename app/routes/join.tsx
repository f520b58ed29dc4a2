import { Form, data, redirect, useNavigation } from "react-router";
import { askedFrom } from "../../server/auth/askedFrom";
import { formOf } from "../../server/doors/readBody";
import { acceptInvitation, invitedBy } from "../../server/people/invitations";
import type { Route } from "./+types/join";
import { Button, ButtonLink } from "../components/Button";
import { Field } from "../components/Field";
import { NewPasswordField } from "../components/NewPasswordField";
import { Notice } from "../components/Notice";

export async function loader({ params: { token } }: Route.LoaderArgs) {
  return { invited: await invitedBy(token) };
}

export async function action({ request, params: { token } }: Route.ActionArgs) {
  const answer = await acceptInvitation(token, await formOf(request), askedFrom(request).device);
  if (!answer.ok) return data({ problems: answer.problems }, { status: 422 });
  return redirect("/", { headers: { "set-cookie": answer.values.cookie } });
}

export default function Join({ loaderData: { invited }, actionData }: Route.ComponentProps) {
  const problems = actionData?.problems ?? {};
  const busy = useNavigation().state !== "idle";
  return (
    <main className="mx-auto max-w-xl px-8 py-16 max-sm:px-4">
      <title>Join · Stencilcraft</title>
      <span className="font-stencil text-3xl tracking-wide">STENCILCRAFT</span>
      {invited ? (
        <>
          <h1 className="mt-10">{invited.member === null ? `Join ${invited.team}` : "Choose another password"}</h1>
          <p className="mt-1 text-soft">
            {invited.member === null
              ? `You were invited as ${invited.role}. This makes your own sign-in.`
              : `For ${invited.member}. You are signed out everywhere else when it is changed.`}
          </p>
          <Form method="post" className="mt-6 flex flex-col gap-4">
            {problems["form"] && <Notice kind="wrong">{problems["form"]}</Notice>}
            {invited.member === null && (
              <>
                <Field label="Your name" name="name" problem={problems["name"]} autoComplete="name" />
                <Field label="E-mail" name="email" type="email" problem={problems["email"]} autoComplete="username" />
              </>
            )}
            <NewPasswordField problem={problems["password"]} />
            <Button look="main" type="submit" disabled={busy} className="self-start px-6">
              {invited.member === null ? "Join" : "Change password"}
            </Button>
          </Form>
        </>
      ) : (
        <>
          <h1 className="mt-10">This link is no good any more</h1>
          <p className="mt-2 text-soft">
            It was used, taken back, or has run out. Ask an owner of the team for another.
          </p>
          <ButtonLink to="/sign-in" className="mt-6">
            To the sign-in
          </ButtonLink>
        </>
      )}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
