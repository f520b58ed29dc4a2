import { PLACEMENTS, type Placement } from "../../core/placement/placements";
import { readPlacement } from "../../core/placement/placementSchema";
import { type TeamScope } from "../db/teamScope";

/** A team's placements, and whether each is as it ships. */
export interface TeamPlacements {
  readonly placements: readonly Placement[];
  /** The ids of those that are the team's own, or changed by it. */
  readonly changed: ReadonlySet<string>;
  /** The ids of those that ship and were taken out. */
  readonly takenOut: readonly string[];
}

/** The placements that a team posts to: those that ship, as it has changed them, then its own by title. */
export async function teamPlacements(scope: TeamScope): Promise<TeamPlacements> {
  const rows = await scope.kept(scope.select("placement").select(["slug", "document"]));
  const own = new Map(rows.map(({ slug, document }) => [slug, document === null ? null : readPlacement(document)]));
  const shipped = PLACEMENTS.flatMap((placement) => {
    const mine = own.get(placement.id);
    return mine === undefined ? [placement] : mine === null ? [] : [mine];
  });
  const ships = new Set(PLACEMENTS.map(({ id }) => id));
  const added = [...own.values()]
    .filter((placement) => placement !== null)
    .filter(({ id }) => !ships.has(id))
    .toSorted((one, other) => one.title.localeCompare(other.title));
  return {
    placements: [...shipped, ...added],
    changed: new Set([...own].flatMap(([id, document]) => (document === null ? [] : [id]))),
    takenOut: [...own].flatMap(([id, document]) => (document === null && ships.has(id) ? [id] : [])),
  };
}

/** A team's placements where they are not just those that ship, as facts hold them. */
export async function ownPlacements(scope: TeamScope): Promise<readonly Placement[] | undefined> {
  const { placements, changed, takenOut } = await teamPlacements(scope);
  return changed.size + takenOut.length > 0 ? placements : undefined;
}
