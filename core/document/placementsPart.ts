import { type Placement, placementById } from "../placement/placements";
import { type Facts } from "./facts";
import { type RecordPart } from "./documentShape";
import { MEMBER_ID } from "./memberId";
import { type Ordered, membersInOrder } from "./ordered";
import { orderOnly } from "./orderKey";
import { Refusal } from "../refusal";

/** The placements that something is made for, each where it stands among the others. */
export type Placements = Readonly<Record<string, Ordered>>;

/** The placements of a promotion that are known, in their order. @param facts where its team's are; else those that ship */
export const placementsOf = (
  { placements }: { readonly placements: Placements },
  facts: Pick<Facts, "placements"> = {},
): Placement[] =>
  membersInOrder<string, Ordered>(placements).flatMap(({ id }) => placementById(id, facts.placements) ?? []);

const MOST_PLACEMENTS = 60;

/** The placements of a promotion. One that is not known any more is kept, and nothing is asked of it. */
export const PLACEMENTS_PART: RecordPart = {
  least: 0,
  most: MOST_PLACEMENTS,
  named: "placement",
  read: (key, value) => {
    if (!MEMBER_ID.test(key)) throw new Refusal(`“${key}” is no placement’s id.`);
    return orderOnly.validateSync(value, { strict: true });
  },
};
