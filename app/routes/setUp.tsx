import { Form, data, redirect, useNavigation } from "react-router";
import { CURRENCIES, isEmpty, setUp } from "../../server/auth/setUp";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/setUp";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { NewPasswordField } from "../components/NewPasswordField";

export async function loader() {
  if (!(await isEmpty())) throw redirect("/sign-in");
  return { currencies: CURRENCIES };
}

export async function action({ request }: Route.ActionArgs) {
  const result = await setUp(await formOf(request));
  if (!result.ok) return data({ problems: result.problems }, { status: 422 });
  return redirect("/brand-book", { headers: { "set-cookie": result.cookie ?? "" } });
}

export default function SetUp({ loaderData: { currencies }, actionData }: Route.ComponentProps) {
  const problems = actionData?.problems ?? {};
  const busy = useNavigation().state !== "idle";
  return (
    <main className="mx-auto max-w-2xl px-8 py-16">
      <title>Set up · Stencilcraft</title>
      <span className="font-stencil text-3xl tracking-wide">STENCILCRAFT</span>
      <h1 className="mt-10">Set up your workshop</h1>
      <p className="mt-1 text-soft">You are the first here. This makes your team, and you its owner.</p>
      <Form method="post" className="mt-6 grid grid-cols-2 gap-4">
        <Field
          label="Business"
          name="team"
          problem={problems["team"]}
          autoComplete="organization"
          className="col-span-2"
        />
        <Field label="Your name" name="name" problem={problems["name"]} autoComplete="name" />
        <Field label="E-mail" name="email" type="email" problem={problems["email"]} autoComplete="username" />
        <NewPasswordField problem={problems["password"]} className="col-span-2" />
        <Choice
          label="Currency"
          name="currency"
          problem={problems["currency"]}
          options={currencies.map((code) => [code, code] as const)}
        />
        <Field label="Time zone" name="zone" defaultValue="Europe/London" problem={problems["zone"]} />
        <Button look="main" type="submit" disabled={busy} className="col-span-2 justify-self-start px-6">
          Set up
        </Button>
      </Form>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
