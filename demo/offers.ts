import { money } from "../core/offer/money";
import { type OfferScope } from "../core/offer/scope";
import { type OfferTerms } from "../core/offer/terms";
import { instantOf, wallTime } from "../core/offer/validity";
import { type TeamScope } from "../server/db/teamScope";

/** The made-up team's offers that its promotions are about, by their ids. */
export interface DemoOffers {
  readonly pottingWeek: string;
  readonly herbFriday: string;
  readonly warmWeek: string;
}

/** @param products their ids by their keys */
export async function addOffers(scope: TeamScope, products: ReadonlyMap<string, string>): Promise<DemoOffers> {
  const pottingWeek = await addOffer(
    scope,
    "Potting week",
    { kind: "percent-off", percent: 15, ending: "exact" },
    { on: "tags", tags: ["potting"] },
    -2,
    6,
  );
  const herbFriday = await addOffer(
    scope,
    "Herb Friday",
    { kind: "new-price", price: money(950, "GBP") },
    { on: "products", products: [products.get("herbs") ?? ""] },
    -1,
    4,
  );
  await addOffer(
    scope,
    "Spring compost",
    { kind: "buy-x-get-y", buy: 2, free: 1 },
    { on: "products", products: [products.get("compost") ?? ""] },
    9,
    23,
  );

  const warmWeek = await addOffer(
    scope,
    "Warm week",
    { kind: "money-off", amount: money(150, "GBP"), ending: "exact" },
    { on: "tags", tags: ["bakehouse"] },
    -3,
    3,
  );
  return { pottingWeek, herbFriday, warmWeek };
}

/** An offer whose window lies around today, in whole days of the team's zone. */
async function addOffer(
  scope: TeamScope,
  name: string,
  terms: OfferTerms,
  on: OfferScope,
  startDay: number,
  endDay: number,
): Promise<string> {
  const zone = "Europe/London";
  const midnight = (days: number): Date =>
    instantOf(`${wallTime(new Date(Date.now() + days * 86_400_000), zone).slice(0, 10)}T00:00`, zone);
  const row = await scope
    .insert("offer", {
      name,
      terms: JSON.stringify(terms),
      scope: JSON.stringify(on),
      currency: "GBP",
      starts_at: midnight(startDay),
      ends_at: midnight(endDay + 1),
      zone,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  return row.id;
}
