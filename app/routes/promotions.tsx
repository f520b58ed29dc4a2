import { Link } from "react-router";
import { formatsInOrder } from "../../core/document/formatList";
import { requirePerson } from "../../server/auth/sessions";
import { allPromotions } from "../../server/promotions/promotionStore";
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

export default function Promotions({ loaderData: { promotions } }: Route.ComponentProps) {
  return (
    <main className="flex-1 px-8 py-7">
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
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(380px,1fr))] gap-6">
        {promotions.map(({ slug, revision, name, formats }) => (
          <li key={slug} className="bg-card">
            <Link to={`/promotions/${slug}`} className="flex h-full flex-col">
              <TrioThumbs slug={slug} revision={revision} formats={formats} />
              <span className="block px-4 py-3 font-semibold">{name}</span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
