import { requirePerson } from "../../server/auth/sessions";
import { mayChangeLocked } from "../../server/auth/roles";
import { loadFillDesk } from "../../server/promotions/fillDesk";
import { ProofDesk } from "../proofDesk/ProofDesk";
import type { Route } from "./+types/proofDesk";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  return { ...(await loadFillDesk(scope, slug, team.zone)), free: mayChangeLocked(role) };
}

export default function ProofDeskPage({ loaderData, params }: Route.ComponentProps) {
  // A desk of another promotion starts anew.
  return <ProofDesk key={params.slug} loaded={loaderData} />;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
