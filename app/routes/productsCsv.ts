import { requirePerson } from "../../server/auth/sessions";
import { exportProducts } from "../../server/catalogue/productImport";
import type { Route } from "./+types/productsCsv";

/** All products of the team as CSV. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  return new Response(await exportProducts(scope), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="products.csv"',
      "cache-control": "no-store",
    },
  });
}
