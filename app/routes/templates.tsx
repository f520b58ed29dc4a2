import { TEMPLATES } from "../../core/document/oneOffer";
import { sceneSpans, totalLength } from "../../core/time/timeline";
import { requirePerson } from "../../server/auth/sessions";
import { allPromotions } from "../../server/promotions/promotionStore";
import type { Route } from "./+types/templates";
import { ButtonLink } from "../components/Button";
import { FormatMark } from "../components/FormatMark";
import { PageHead } from "../components/PageHead";
import { FORMAT_NAMES } from "../../core/placement/formats";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const promotions = await allPromotions(scope);
  return { templates: TEMPLATES.map((template) => ({ template, example: promotions.find(({ document }) => document.template === template.slug)?.slug ?? null })) };
}

export default function Templates({ loaderData: { templates } }: Route.ComponentProps) {
  return (
    <main className="flex-1 px-8 py-7">
      <PageHead title="Templates" about="Designs to fill. Each comes out square, vertical and widescreen." />
      {templates.map(({ template, example }) => (
        <section key={template.slug} className="bg-card p-6" aria-label={template.name}>
          <div className="flex flex-wrap items-start justify-between gap-6">
            <div>
              <h2>{template.name}</h2>
              <p className="mt-1 max-w-xl text-soft">{template.purpose}</p>
              <p className="mt-3 flex items-center gap-4 text-sm">{FORMAT_NAMES.map((format) => <span key={format} className="flex items-center gap-1.5"><FormatMark format={format} /> {format}</span>)}<span className="figures">{(totalLength(sceneSpans(template.scenes)) / 1000).toFixed(1)} s</span></p>
            </div>
            <ButtonLink look="main" to={`/promotions/new?template=${template.slug}`}>Fill this template</ButtonLink>
          </div>
          <ol className="mt-6 grid grid-cols-4 gap-5">
            {template.scenes.map((scene, index) => (
              <li key={scene.id}>
                <div className="flex h-64 items-center justify-center bg-proof p-3">
                  {example ? <img src={`/promotions/${example}/still/vertical?scene=${index + 1}`} alt={`${scene.name}, vertical, filled`} className="h-full shadow-md" /> : <FormatMark format="vertical" size={110} className="text-card" />}
                </div>
                <p className="mt-2 font-semibold"><span className="figures mr-2 text-soft">{index + 1}</span>{scene.name}</p>
                <p className="text-sm text-soft">{scene.slots.map(({ label }) => label.toLowerCase()).join(", ")}</p>
              </li>
            ))}
          </ol>
        </section>
      ))}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
