import { requirePerson } from "../../server/auth/sessions";
import { mayChangeLocked } from "../../server/auth/roles";
import { loadFillDesk } from "../../server/promotions/fillDesk";
import { linkedVersions } from "../../server/promotions/shorterVersions";
import { PaceDesk } from "../pace/PaceDesk";
import type { Route } from "./+types/paceDesk";
import { DESK_FOOT } from "../components/foot";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  const [desk, linked] = await Promise.all([loadFillDesk(scope, slug, team), linkedVersions(scope, slug)]);
  return { ...desk, linked, free: mayChangeLocked(role) };
}

export const handle = DESK_FOOT;

export default function PaceDeskPage({ loaderData, params }: Route.ComponentProps) {
  // A desk of another promotion starts anew.
  return <PaceDesk key={params.slug} loaded={loaderData} />;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
