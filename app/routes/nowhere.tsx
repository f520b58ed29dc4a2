import { requirePerson } from "../../server/auth/sessions";
import type { Route } from "./+types/nowhere";

/** An address that leads nowhere: said in our own words, inside the house. */
export async function loader({ request }: Route.LoaderArgs): Promise<never> {
  await requirePerson(request);
  throw new Response("There is nothing at this address. It may have been removed, or written wrongly.", {
    status: 404,
  });
}

export default function Nowhere() {
  return null;
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
