import { adjustmentKey, targetOf } from "../document/adjustments";
import { pointer } from "../document/patch";
import { type Found, type SceneRule } from "./finding";
import { outsideSafeArea } from "./outsideSafeArea";

/** Words stand where channels draw nothing over them. */
export const insideSafeArea: SceneRule = {
  id: "inside-safe-area",
  about: "Words stand inside the safe area of their format.",
  isByFormat: true,
  look: ({ prepared, format, document }) =>
    prepared.slots.flatMap(({ kind, key, place, text, fitted }): Found[] => {
      const outside =
        kind === "words" && fitted !== null && place.width > 0 ? outsideSafeArea(text, place, format) : null;
      if (!outside) return [];
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
