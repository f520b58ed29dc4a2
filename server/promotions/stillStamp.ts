import { PAINTER_VERSION } from "../../paint/painter";
import { todayIn } from "../media/mediaList";

/**
 * Names how all stills of a team look besides the promotions' own revisions: what they draw from, and the day, and how they
 * are painted.
 */
export const stillStamp = ({ stamp, zone }: { readonly stamp: string; readonly zone: string }): string =>
  `${stamp}.${todayIn(zone)}.${PAINTER_VERSION}`;
