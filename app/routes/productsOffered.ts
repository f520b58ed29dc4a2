import { requirePerson } from "../../server/auth/sessions";
import { offeredProducts } from "../../server/catalogue/offeredProducts";
import type { Route } from "./+types/productsOffered";

/** What may be chosen where a product is asked for, by words. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return offeredProducts(scope, new URL(request.url).searchParams.get("words") ?? "", team.locale);
}
