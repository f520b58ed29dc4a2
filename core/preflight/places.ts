import { adjustmentKey, targetOf } from "../document/adjustments";
import { pointer } from "../document/patch";
import { contains } from "../geometry/rect";
import { formatOf, safeArea } from "../placement/formats";
import { type Found, type SceneRule } from "./finding";

/** What is set by hand snaps to whole units, and letters are not as wide as their place. */
const SLACK = 2;

/** Words stand where channels draw nothing over them. */
export const insideSafeArea: SceneRule = {
  id: "inside-safe-area",
  about: "Words stand inside the safe area of their format.",
  isByFormat: true,
  look: ({ prepared, format, document }) => {
    const safe = safeArea(formatOf(format));
    const outside = prepared.slots.filter(
      ({ kind, place, fitted }) =>
        kind === "words" && fitted !== null && place.width > 0 && !contains(safe, place, SLACK),
    );
    return outside.map(({ key, place, text }): Found => {
      const at = adjustmentKey(targetOf(key), "scene@format", format);
      const isByHand = document.adjustments[at]?.place !== undefined;
      return {
        severity: "warning",
        slot: key,
        words: `“${text}” stands outside the safe area`,
        numbers: {
          outsideUnits: Math.round(
            Math.max(
              safe.x - place.x,
              safe.y - place.y,
              place.x + place.width - safe.x - safe.width,
              place.y + place.height - safe.y - safe.height,
            ),
          ),
        },
        cures: isByHand
          ? [
              {
                label: "Put it back in its place",
                patch: [{ op: "remove", path: pointer("adjustments", at, "place") }],
              },
            ]
          : [],
      };
    });
  },
};
