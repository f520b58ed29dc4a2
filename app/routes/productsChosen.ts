import { requirePerson } from "../../server/auth/sessions";
import { chosenProducts } from "../../server/catalogue/offeredProducts";
import type { Route } from "./+types/productsChosen";

/** What is known of the products whose ids are asked for. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return chosenProducts(scope, new URL(request.url).searchParams.getAll("id"), team.locale);
}
