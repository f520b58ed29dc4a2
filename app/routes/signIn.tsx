import { Form, data, redirect, useNavigation } from "react-router";
import { isEmpty } from "../../server/auth/setUp";
import { demoAccounts, signIn } from "../../server/auth/signIn";
import { askedFrom } from "../../server/auth/askedFrom";
import { ownPath } from "../../server/auth/ownPath";
import { findPerson } from "../../server/auth/sessions";
import { DEMO_PASSWORD } from "../../server/auth/demoPassword";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/signIn";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { ThreeShapes } from "../components/ThreeShapes";

export async function loader({ request }: Route.LoaderArgs) {
  if (await findPerson(request)) throw redirect("/");
  if (await isEmpty()) throw redirect("/set-up");
  return { demo: await demoAccounts(), demoPassword: DEMO_PASSWORD };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const result = await signIn(form.get("email"), form.get("password"), askedFrom(request));
  if (result.ok)
    return redirect(ownPath(new URL(request.url).searchParams.get("next")), {
      headers: { "set-cookie": result.cookie },
    });
  return data({ problem: result.problem }, { status: result.status });
}

export default function SignIn({ loaderData: { demo, demoPassword }, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const problem = actionData?.problem;
  return (
    <main className="grid min-h-screen md:grid-cols-[1fr_minmax(420px,520px)]">
      <title>Sign in · Stencilcraft</title>
      <section className="hidden flex-col justify-between bg-ink p-14 text-paper md:flex">
        <span className="font-stencil text-3xl tracking-wide">STENCILCRAFT</span>
        <ThreeShapes />
        <p className="max-w-md font-heading text-2xl leading-snug">
          Fill one design. Check it in three shapes. Render what you checked.
        </p>
      </section>
      <section className="flex flex-col justify-center gap-8 px-10 py-12">
        <Form method="post" className="flex flex-col gap-4">
          <h1>Sign in</h1>
          {problem && <Notice kind="wrong">{problem}</Notice>}
          <Field label="E-mail" name="email" type="email" autoComplete="username" required />
          <Field label="Password" name="password" type="password" autoComplete="current-password" required />
          <Button look="main" type="submit" disabled={busy} className="self-start px-6">
            Sign in
          </Button>
        </Form>
        {demo.length > 0 && (
          <div className="border-t border-rule pt-6">
            <h2>Look around in the demo</h2>
            <p className="mt-1 text-sm text-soft">
              Made-up people in made-up shops. Anything you change stays on this machine.
            </p>
            <ul className="mt-3 divide-y divide-rule border-y border-rule">
              {demo.map((account) => (
                <li key={account.email}>
                  <Form method="post" className="flex items-center justify-between gap-3 py-2">
                    <input type="hidden" name="email" value={account.email} />
                    <input type="hidden" name="password" value={demoPassword} />
                    <span>
                      {account.name}{" "}
                      <span className="text-sm text-soft">
                        · {account.role}, {account.team}
                      </span>
                    </span>
                    <Button
                      type="submit"
                      disabled={busy}
                      className="px-3 py-1.5 text-sm"
                      aria-label={`Sign in as ${account.name}`}
                    >
                      Enter
                    </Button>
                  </Form>
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
