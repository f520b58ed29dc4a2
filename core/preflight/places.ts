import { markOfKey } from "../document/brandMark";
import { type Found, type SceneRule } from "./finding";
import { outsideSafeArea } from "./outsideSafeArea";
import { placeCures } from "./placeCures";

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
      return outside ? [{ ...outside, slot: key, cures: placeCures(document, key, format) }] : [];
    }),
};
