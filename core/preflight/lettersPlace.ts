import { type Rect, evenInsets, inset } from "../geometry/rect";
import { type PlacedSlot } from "../scene/prepared";

/** Where the letters of words stand; null for what is no words. They begin below the top of their line, and end above its foot. */
export const lettersPlace = ({ kind, place, fitted }: PlacedSlot): Rect | null =>
  kind === "words" && fitted !== null && place.width > 0
    ? inset(place, { ...evenInsets(0), top: fitted.overCapitals, bottom: fitted.underBaseline })
    : null;
