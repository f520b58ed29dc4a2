import { Copy } from "lucide-react";
import { Form, Link, redirect, useNavigation } from "react-router";
import { formatsInOrder } from "../../core/document/formatList";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { formText } from "../../server/formText";
import { allPromotions, copyPromotion } from "../../server/promotions/promotionStore";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/promotions";
import { ButtonLink } from "../components/Button";
import { PageHead } from "../components/PageHead";
import { TrioThumbs } from "../components/TrioThumbs";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const promotions = await allPromotions(scope);
  return {
    promotions: promotions.map(({ slug, revision, document }) => ({
      slug,
      revision,
      name: document.name,
      formats: formatsInOrder(document),
    })),
  };
}

/** Makes a copy of a promotion, and goes on with it. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requireEditor(request);
  const { slug } = await copyPromotion(scope, formText(await formOf(request), "copy"), id);
  return redirect(`/promotions/${slug}`);
}

export default function Promotions({ loaderData: { promotions } }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Promotions" about="Every template you have filled.">
        <ButtonLink look="main" to="/promotions/new">
          New promotion
        </ButtonLink>
      </PageHead>
      {promotions.length === 0 && (
        <p className="border border-dashed border-firm p-14 text-center text-soft">
          None yet. “New promotion” asks for a template, a product and an offer, and fills the first version for you.
        </p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(380px,100%),1fr))] gap-6">
        {promotions.map(({ slug, revision, name, formats }) => (
          <li key={slug} className="relative flex flex-col bg-card">
            <Link to={`/promotions/${slug}`} className="flex flex-1 flex-col">
              <TrioThumbs slug={slug} revision={revision} formats={formats} />
              <span className="block py-3 pr-28 pl-4 font-semibold">{name}</span>
            </Link>
            <Form method="post" className="absolute right-2.5 bottom-2.5">
              <button
                name="copy"
                value={slug}
                disabled={busy}
                aria-label={`Make a copy of ${name}`}
                className="flex min-h-7 items-center gap-1.5 px-1.5 text-[13.5px] text-soft underline-offset-4 hover:text-ink hover:underline"
              >
                <Copy aria-hidden size={14} /> Copy
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
