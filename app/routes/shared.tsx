import { Form, data, useNavigation } from "react-router";
import { object } from "yup";
import { momentFormat } from "../../core/text/formatters";
import { Refusal } from "../../core/refusal";
import { words } from "../../server/doors/fields";
import { formOf } from "../../server/doors/readBody";
import { readForm } from "../../server/formProblems";
import { formText } from "../../server/formText";
import { clientOf, guestName, isOpening, keepName, keepPass, openedBy, requireShared } from "../../server/review/guest";
import { refused, takeReview } from "../../server/review/reviewForms";
import { reviewedOf, reviewedPromotion } from "../../server/review/reviewed";
import { countOpened, unlock } from "../../server/review/shareLinks";
import type { Route } from "./+types/shared";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { ReviewDesk } from "../review/ReviewDesk";
import { reviewInWords } from "../review/reviewInWords";

export async function loader({ request, params: { token } }: Route.LoaderArgs) {
  const opened = await openedBy(request, token);
  if (opened.state === "closed") return data({ state: "closed" } as const, { status: 404 });
  if (opened.state === "locked") return { state: "locked" } as const;
  const { shared } = opened;
  if (isOpening(request)) await countOpened(shared);
  const reviewed = await reviewedOf(shared.scope, shared.promotion);
  return {
    state: "open",
    team: shared.team.name,
    guest: await guestName(request),
    origin: new URL(request.url).origin,
    reviewed: reviewInWords(reviewed, momentFormat(shared.team)),
  } as const;
}

const nameForm = object({ name: words(60).required("Write your name, so that they know who says it.") });

export async function action({ request, params: { token } }: Route.ActionArgs) {
  const form = await formOf(request);
  if (form.get("intent") === "unlock") {
    const unlocked = await unlock(token, formText(form, "password"), clientOf(request));
    if ("problem" in unlocked) return data(refused({ password: unlocked.problem }), { status: 401 });
    return data(refused({}), { headers: { "set-cookie": await keepPass(unlocked.pass) } });
  }
  const { scope, link, promotion } = await requireShared(request, token);
  const read = await readForm(nameForm, form);
  if (!read.ok) return data(refused(read.problems), { status: 422 });
  const { name } = read.values;
  try {
    const answer = await takeReview(
      scope,
      await reviewedPromotion(scope, promotion),
      { name, member: null, link },
      form,
    );
    const headers = { "set-cookie": await keepName(name) };
    return data(answer, answer.taken === null ? { status: 422 } : { headers });
  } catch (error) {
    if (error instanceof Refusal) return data(refused({ form: error.message }), { status: 409 });
    throw error;
  }
}

export function meta({ loaderData }: Route.MetaArgs) {
  const isOpen = loaderData?.state === "open";
  const title = isOpen ? `${loaderData.reviewed.name}, from ${loaderData.team}` : "A shared promotion";
  return [{ title }, { name: "robots", content: "noindex, nofollow" }];
}

export default function SharedPage({ loaderData, actionData, params: { token } }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  if (loaderData.state === "closed")
    return (
      <main className="mx-auto max-w-xl px-6 py-16">
        <span className="font-stencil text-2xl tracking-wide">STENCILCRAFT</span>
        <h1 className="mt-10">This link is no good any more</h1>
        <p className="mt-2 text-soft">It was taken back, has ended, or is not complete. Ask whoever sent it to you.</p>
      </main>
    );
  if (loaderData.state === "locked")
    return (
      <main className="mx-auto max-w-md px-6 py-16">
        <span className="font-stencil text-2xl tracking-wide">STENCILCRAFT</span>
        <h1 className="mt-10">Somebody shows you a promotion</h1>
        <p className="mt-2 text-soft">It opens with the password that came with the link.</p>
        <Form method="post" className="mt-6 flex flex-col gap-4">
          <Field
            label="Password"
            name="password"
            type="password"
            autoComplete="off"
            required
            problem={actionData?.problems["password"]}
          />
          <Button look="main" type="submit" name="intent" value="unlock" disabled={busy} className="self-start px-6">
            Open
          </Button>
        </Form>
      </main>
    );
  const { team, guest, origin, reviewed } = loaderData;
  const address = `${origin}/shared/${token}`;
  return (
    <div className="flex min-h-screen flex-col">
      <link
        rel="alternate"
        type="application/json+oembed"
        href={`${origin}/oembed?url=${encodeURIComponent(address)}&format=json`}
        title={reviewed.name}
      />
      <header className="flex items-center justify-between gap-4 border-b border-rule px-5 py-2.5 max-sm:px-4">
        <span className="font-stencil text-[19px] tracking-wide">STENCILCRAFT</span>
        <span className="text-sm text-soft">from {team}</span>
      </header>
      <ReviewDesk
        reviewed={reviewed}
        fileAt={(id) => `/shared/${token}/files/${id}`}
        posterAt={(format) => `/shared/${token}/posters/${format}`}
        guest={guest}
      />
    </div>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
