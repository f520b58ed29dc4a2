import { sceneSpans, totalLength } from "../../core/time/timeline";
import { requirePerson } from "../../server/auth/sessions";
import { offeredTemplates } from "../../server/templates/templateStore";
import type { Route } from "./+types/templates";
import { ButtonLink } from "../components/Button";
import { PageHead } from "../components/PageHead";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  return { templates: await offeredTemplates(scope) };
}

export default function Templates({ loaderData: { templates } }: Route.ComponentProps) {
  return (
    <main className="flex-1 px-8 py-7">
      <PageHead title="Templates" about="Designs to fill. Each comes out square, vertical and widescreen." />
      {templates.map(({ template, ref }) => (
        <section key={ref.slug} className="mb-3 bg-card p-6" aria-label={template.name}>
          <h2>{template.name}</h2>
          <p className="mt-1 max-w-xl text-soft">{template.about} {(totalLength(sceneSpans(template.scenes)) / 1000).toFixed(1)} s</p>
          <ButtonLink look="main" to={`/promotions/new?template=${ref.slug}`}>Fill this template</ButtonLink>
        </section>
      ))}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
