import { type Rect, bottom, contains, right } from "../geometry/rect";
import { type FormatName, formatOf, safeArea } from "../placement/formats";
import { type Finding } from "./finding";

/** What is set by hand snaps to whole units, and letters are not as wide as their place. */
const SLACK = 2;

/**
 * What is found of what stands outside the safe area of a format; null where it stands inside.
 * @param what it is, as a sentence begins
 */
export function outsideSafeArea(
  what: string,
  place: Rect,
  format: FormatName,
): Pick<Finding, "severity" | "words" | "numbers"> | null {
  const safe = safeArea(formatOf(format));
  if (contains(safe, place, SLACK)) return null;
  const outside = [safe.x - place.x, safe.y - place.y, right(place) - right(safe), bottom(place) - bottom(safe)];
  return {
    severity: "warning",
    words: `${what} stands outside the safe area`,
    numbers: { outsideUnits: Math.round(Math.max(...outside)) },
  };
}
