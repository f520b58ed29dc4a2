import { adjustmentKey, targetOf } from "../document/adjustments";
import { markOfKey } from "../document/brandMark";
import { pointer } from "../document/patch";
import { type Found, type SceneRule } from "./finding";
import { markCures } from "./markCures";
import { outsideSafeArea } from "./outsideSafeArea";

/** Words and marks stand where channels draw nothing over them. */
export const insideSafeArea: SceneRule = {
  id: "inside-safe-area",
  about: "Words and the logo stand inside the safe area of their format.",
  isByFormat: true,
  look: ({ prepared, format, document }) =>
    prepared.slots.flatMap(({ kind, key, place, text, fitted }): Found[] => {
      const mark = markOfKey(key);
      const isShown = place.width > 0 && (mark !== null || (kind === "words" && fitted !== null));
      const outside = isShown ? outsideSafeArea(mark ? `the ${mark.mark}` : `“${text}”`, place, format) : null;
      if (!outside) return [];
      if (mark) return [{ ...outside, slot: key, cures: markCures(document, mark) }];
      const at = adjustmentKey(targetOf(key), "scene@format", format);
      const isByHand = document.adjustments[at]?.place !== undefined;
      return [
        {
          ...outside,
          slot: key,
          cures: isByHand
            ? [
                {
                  label: "Put it back in its place",
                  patch: [{ op: "remove", path: pointer("adjustments", at, "place") }],
                },
              ]
            : [],
        },
      ];
    }),
};
