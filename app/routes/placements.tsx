import { counted } from "../../core/text/counted";
import { data, useFetcher, useSearchParams } from "react-router";
import { Refusal } from "../../core/refusal";
import { PLACEMENTS } from "../../core/placement/placements";
import { readPlacement } from "../../core/placement/placementSchema";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { formOf, readJson } from "../../server/doors/readBody";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import {
  asItShips,
  importPlacements,
  savePlacements,
  takeOutPlacement,
} from "../../server/placements/placementChanges";
import { teamPlacements } from "../../server/placements/ownPlacements";
import type { Route } from "./+types/placements";
import { Button, ButtonLink } from "../components/Button";
import { ForEditors } from "../components/ForEditors";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Tabs } from "../components/Tabs";
import { CHANNEL_TABS } from "../placements/channelTabs";
import { ImportPlacements } from "../placements/ImportPlacements";
import { PlacementCard } from "../placements/PlacementCard";
import { PlacementEditor } from "../placements/PlacementEditor";
import { type PlacementsAnswer, placementsAnswer } from "../placements/placementsAnswer";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const { placements, changed, takenOut } = await teamPlacements(scope);
  const titles = new Map(PLACEMENTS.map(({ id, title }) => [id, title]));
  return {
    placements,
    changed: [...changed],
    ships: [...titles.keys()],
    takenOut: takenOut.map((id) => ({ id, title: titles.get(id) ?? id })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, name } = await requireEditor(request);
  const form = await formOf(request);
  const id = formText(form, "id");
  try {
    switch (formText(form, "intent")) {
      case "save": {
        const placement = readPlacement(readJson(formText(form, "placement"), "a placement"));
        await savePlacements(scope, [placement]);
        await noteDeed(scope, name, `changed the placement “${placement.title}”`);
        return placementsAnswer({ saved: placement.id, done: `“${placement.title}” is kept.` });
      }
      case "take-out":
        await takeOutPlacement(scope, id);
        await noteDeed(scope, name, `took the placement “${id}” out`);
        return placementsAnswer({ saved: id, done: "It is taken out. Promotions that name it are not asked for it." });
      case "as-it-ships":
        await asItShips(scope, id);
        return placementsAnswer({ saved: id, done: "It is as it came." });
      case "import": {
        const file = form.get("file");
        const count = await importPlacements(scope, file instanceof File ? await file.text() : "");
        await noteDeed(scope, name, `brought in ${counted(count, "placement")}`);
        return placementsAnswer({ done: `${counted(count, "placement")} ${count === 1 ? "is" : "are"} kept.` });
      }
      default:
        throw new Response("The page of placements does not know what to do with that.", { status: 400 });
    }
  } catch (error) {
    if (error instanceof Refusal) return data(placementsAnswer({ problem: error.message }), { status: 422 });
    throw error;
  }
}

export default function Placements({ loaderData: { placements, changed, ships, takenOut } }: Route.ComponentProps) {
  const [params, setParams] = useSearchParams();
  const changing = useFetcher<PlacementsAnswer>();
  const editing = params.get("edit");
  const edited = placements.find(({ id }) => id === editing) ?? null;
  const close = (): void => setParams({}, { replace: true, preventScrollReset: true });
  const said = changing.data;
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Channels" about="Where promotions go, and what is taken there.">
        <a href="/channels/placements.json" download className="self-center text-sm underline underline-offset-2">
          Export as JSON
        </a>
        <ForEditors>
          <ButtonLink look="main" to="?edit=new" preventScrollReset>
            New placement
          </ButtonLink>
        </ForEditors>
      </PageHead>
      <Tabs label="Channels" tabs={CHANNEL_TABS} />
      {said?.done && (
        <Notice kind="ready" className="mb-4">
          {said.done}
        </Notice>
      )}
      {said?.problem && (
        <Notice kind="wrong" className="mb-4">
          {said.problem}
        </Notice>
      )}
      <p className="mb-5 max-w-3xl text-sm text-soft">
        The values of those that come with Stencilcraft are common practice, and no rule of one channel. Change what
        yours asks for.
      </p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-5">
        {placements.map((placement) => (
          <PlacementCard key={placement.id} placement={placement} isChanged={changed.includes(placement.id)} />
        ))}
      </ul>
      <div className="mt-8 grid max-w-5xl grid-cols-2 gap-8 max-md:grid-cols-1">
        <ForEditors>
          <ImportPlacements fetcher={changing} />
        </ForEditors>
        {takenOut.length > 0 && (
          <section aria-label="Taken out">
            <h2 className="mb-2">Taken out</h2>
            <ul className="divide-y divide-rule border-y border-rule text-sm">
              {takenOut.map(({ id, title }) => (
                <li key={id} className="flex items-center justify-between py-2">
                  {title}
                  <changing.Form method="post">
                    <input type="hidden" name="id" value={id} />
                    <Button look="quiet" type="submit" name="intent" value="as-it-ships">
                      Put back
                    </Button>
                  </changing.Form>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      {(edited !== null || editing === "new") && (
        <PlacementEditor
          key={editing}
          placement={edited}
          taken={placements.map(({ id }) => id)}
          ships={edited !== null && ships.includes(edited.id)}
          isChanged={edited !== null && changed.includes(edited.id)}
          onClose={close}
        />
      )}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
