import { requirePerson } from "../../server/auth/sessions";
import { mayChangeLocked } from "../../server/auth/roles";
import { loadFillDesk } from "../../server/promotions/fillDesk";
import { ProofDesk } from "../proofDesk/ProofDesk";
import { carriedOver, useCarriedDesk } from "../desk/carriedDesk";
import type { Route } from "./+types/proofDesk";
import { DESK_FOOT } from "../components/foot";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  return { ...(await loadFillDesk(scope, slug, team)), free: mayChangeLocked(role) };
}

export const clientLoader = ({ params: { slug }, serverLoader }: Route.ClientLoaderArgs) =>
  carriedOver(slug, "Proof", serverLoader);

export const handle = DESK_FOOT;

export default function ProofDeskPage({ loaderData, params }: Route.ComponentProps) {
  useCarriedDesk(params.slug, "Proof", loaderData);
  // A desk of another promotion starts anew.
  return <ProofDesk key={params.slug} loaded={loaderData} />;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
