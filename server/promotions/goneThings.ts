import { type NamedThing, thingsNamed } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";
import { NO_ID } from "../ids";

/** Those of some things that the team does not have, or not any more. */
export async function notThere(scope: TeamScope, things: readonly NamedThing[]): Promise<NamedThing[]> {
  const idsOf = (kind: NamedThing["kind"]): string[] => [
    ...new Set(things.filter((thing) => thing.kind === kind).map(({ id }) => id)),
  ];
  const [media, products, offers, brands] = [idsOf("media"), idsOf("product"), idsOf("offer"), idsOf("brand")];
  if (things.length === 0) return [];
  // One question for all of them: each desk of each promotion asks it.
  const rows = await scope.kept(
    scope
      .media()
      .select("id")
      .where("id", "in", oneOf(media))
      .unionAll(scope.select("product").select("id").where("id", "in", oneOf(products)))
      .unionAll(scope.select("offer").select("id").where("id", "in", oneOf(offers)))
      .unionAll(scope.select("brand").select("id").where("id", "in", oneOf(brands))),
  );
  const there = new Set(rows.map(({ id }) => id));
  return things.filter(({ id }) => !there.has(id));
}

/** A list that a query can look in: SQL has no empty ones. */
const oneOf = (ids: readonly string[]): readonly string[] => (ids.length > 0 ? ids : [NO_ID]);

/** What a promotion names that is not there any more. It opens and is saved all the same; people are told. */
export const goneThings = (scope: TeamScope, document: Promotion): Promise<NamedThing[]> =>
  notThere(scope, thingsNamed(document));
