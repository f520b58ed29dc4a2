import { type ArrangementOf, CLEAREST } from "../document/arrangements";
import { bottom, rect, wholeOf } from "../geometry/rect";
import { safeArea } from "../placement/formats";
import { type Content, type Layout } from "./layout";
import { stanceOf, steps, toRhythm } from "./shape";

const LOGO = { width: steps(36), height: steps(11) } as const;

/**
 * One picture to the edges, words over it at the top, in the middle or at the bottom; the logo at the other end. The
 * clearest place is the bottom while it is not known.
 */
export function layFullPicture(
  { words: wanted, backing }: ArrangementOf<"full-picture">,
  { shape, entries, logo }: Content,
): Layout {
  const words = wanted === CLEAREST ? "bottom" : wanted;
  const safe = safeArea(shape);
  const lying = stanceOf(shape) === "lying";
  const width = lying ? toRhythm(safe.width * 0.6) : safe.width;
  const taken = logo ? LOGO.height + steps(3) : 0;
  const height =
    words === "middle"
      ? safe.height - 2 * taken
      : Math.min(safe.height - taken, toRhythm(safe.height * (lying ? 0.66 : 0.56)));
  const y = words === "top" ? safe.y : words === "bottom" ? bottom(safe) - height : safe.y + taken;
  return {
    grounds: [],
    pictures: [{ index: 0, place: wholeOf(shape), drift: "in" }],
    rules: [],
    columns: [
      {
        area: rect(safe.x, y, width, height),
        entries,
        align: "start",
        anchor: words,
        gap: steps(2),
        on: { kind: "picture", picture: 0, backing, shaded: "band", leastShade: 0 },
      },
    ],
    logo: logo
      ? {
          box: rect(safe.x, words === "top" ? bottom(safe) - LOGO.height : safe.y, LOGO.width, LOGO.height),
          on: null,
          align: "start",
        }
      : null,
  };
}
