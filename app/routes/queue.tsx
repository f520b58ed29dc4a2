import { placementTitles } from "../../core/placement/placements";
import { momentFormat } from "../../core/text/formatters";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { hoursOfWork } from "../../server/jobs/jobTimes";
import { moveToFront, teamQueue } from "../../server/jobs/queuePage";
import { teamPlacements } from "../../server/placements/ownPlacements";
import { cancelRendition, retryRendition } from "../../server/render/renditions";
import type { Route } from "./+types/queue";
import { PageHead } from "../components/PageHead";
import { useReload } from "../components/useReload";
import { useReloadWhile } from "../components/useReloadWhile";
import { useTeamEvents } from "../components/useTeamEvents";
import { HourCharts } from "../queue/HourCharts";
import { QueueList } from "../queue/QueueList";
import { queuedItem } from "../queue/queuedItem";

const HOURS = 24;

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const [queue, hours, { placements }] = await Promise.all([
    teamQueue(scope),
    hoursOfWork(scope, HOURS),
    teamPlacements(scope),
  ]);
  const when = momentFormat(team);
  const titles = placementTitles(placements);
  const said = (items: typeof queue.done) => items.map((item) => queuedItem(item, when, titles));
  const { running, waiting, failed, done, others } = queue;
  return {
    ...{ running: said(running), waiting: said(waiting), failed: said(failed), done: said(done) },
    others,
    hours,
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const form = await formOf(request);
  const id = readIds(formText(form, "id"))[0] ?? NO_ID;
  switch (formText(form, "intent")) {
    case "cancel":
      await cancelRendition(scope, id);
      break;
    case "retry":
      await retryRendition(scope, id);
      break;
    case "front":
      await moveToFront(scope, id);
      break;
    default:
      throw new Response("The queue does not know what to do with that.", { status: 400 });
  }
  return null;
}

export default function Queue({ loaderData: { running, waiting, failed, done, others, hours } }: Route.ComponentProps) {
  const reload = useReload();
  useTeamEvents((event) => {
    if ((event.topic === "rendition" || event.topic === "media") && event.state !== "working") reload();
  });
  // What runs comes along, and what waits comes nearer.
  useReloadWhile(running.length + waiting.length > 0);
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Queue" about="What is being made, what waits, and what came of it." />
      <div className="grid grid-cols-[minmax(0,1fr)_380px] gap-10 max-lg:grid-cols-1">
        <div className="flex min-w-0 flex-col gap-8">
          <QueueList title="At work" items={running} none="Nothing is being made just now." />
          <QueueList title="Waiting" items={waiting} none="Nothing waits." />
          {others > 0 && (
            <p className="-mt-5 text-sm text-soft">
              {others === 1 ? "One piece of work" : `${others} pieces of work`} of others in the house as well.
            </p>
          )}
          {failed.length > 0 && <QueueList title="Failed in the last week" items={failed} none="" />}
          <QueueList title="Rendered today" items={done} none="Nothing was rendered in the last 24 hours." />
        </div>
        <HourCharts hours={hours} />
      </div>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
