import { requireEditor } from "../../server/auth/sessions";
import { sheetOf } from "../../server/catalogue/offerSheet";
import { readOfferForm } from "../../server/catalogue/offers";
import { formOf } from "../../server/doors/readBody";
import { NO_ID } from "../../server/ids";
import type { Route } from "./+types/offerTried";

/** What an offer would make of so many products is shown while it is typed. */
const ROWS_TRIED = 4;

/** What an offer that is being typed makes of the first products that it is for: null until it is whole. Nothing is kept. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, team } = await requireEditor(request);
  const typed = await readOfferForm(scope, team, await formOf(request));
  if (!typed.ok) return Response.json({ effect: null });
  const offer = { ...typed.values, id: typed.values.id ?? NO_ID };
  return Response.json({ effect: await sheetOf(scope, offer, { locale: team.locale, most: ROWS_TRIED }) });
}
