import { type NamedThing, thingsNamed } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";

/** Those of some things that the team does not have, or not any more. */
export async function notThere(scope: TeamScope, things: readonly NamedThing[]): Promise<NamedThing[]> {
  const idsOf = (kind: NamedThing["kind"]): string[] => [
    ...new Set(things.filter((thing) => thing.kind === kind).map(({ id }) => id)),
  ];
  const [media, products, offers, brands] = [idsOf("media"), idsOf("product"), idsOf("offer"), idsOf("brand")];
  const rows = await Promise.all([
    media.length > 0 ? scope.media().select("id").where("id", "in", media).execute() : [],
    products.length > 0 ? scope.select("product").select("id").where("id", "in", products).execute() : [],
    offers.length > 0 ? scope.select("offer").select("id").where("id", "in", offers).execute() : [],
    brands.length > 0 ? scope.select("brand").select("id").where("id", "in", brands).execute() : [],
  ]);
  const there = new Set(rows.flat().map(({ id }) => id));
  return things.filter(({ id }) => !there.has(id));
}

/** What a promotion names that is not there any more. It opens and is saved all the same; people are told. */
export const goneThings = (scope: TeamScope, document: Promotion): Promise<NamedThing[]> =>
  notThere(scope, thingsNamed(document));
