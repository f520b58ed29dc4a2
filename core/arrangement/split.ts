import { type ArrangementOf } from "../document/arrangements";
import { type Rect, rect } from "../geometry/rect";
import { type Content, type Layout } from "./layout";
import { cutInTwo, roomIn, stanceOf, steps, wordiness } from "./shape";
import { logoInCorner } from "./logoInCorner";

/** Characters of a scene that are few, and that are many. */
const FEW = 70;
const MANY = 190;

/** A picture beside or above its words, along one straight edge. Many words get more of the frame. */
export function laySplit(
  { share, pictureFirst, besideInSquare }: ArrangementOf<"split">,
  { shape, ground, entries, logo }: Content,
): Layout {
  const stance = stanceOf(shape);
  const beside = stance === "lying" || (stance === "square" && besideInSquare);
  const pictureShare = Math.max(
    0.34,
    share -
      0.12 *
        wordiness(
          entries.map(({ text }) => text),
          FEW,
          MANY,
        ),
  );
  const [first, second] = cutInTwo(shape, beside, pictureFirst ? pictureShare : 1 - pictureShare);
  const [picture, panel] = pictureFirst ? [first, second] : [second, first];
  return {
    grounds: [{ place: panel, ink: ground }],
    pictures: [{ index: 0, place: picture, drift: pictureFirst ? "in" : "out" }],
    rules: [{ place: seam(picture, panel, beside), ink: "accent" }],
    columns: [
      {
        area: roomIn(shape, panel, stance === "lying" ? steps(7) : steps(4)),
        entries,
        align: "start",
        anchor: "middle",
        gap: steps(3),
        on: { kind: "ground", role: ground },
      },
    ],
    logo: logo ? logoInCorner(shape, picture) : null,
  };
}

/** A thin rule along the edge where picture and panel meet, on the panel's side. */
function seam(picture: Rect, panel: Rect, beside: boolean): Rect {
  const thickness = steps(1);
  if (beside)
    return rect(panel.x > picture.x ? panel.x : panel.x + panel.width - thickness, panel.y, thickness, panel.height);
  return rect(panel.x, panel.y > picture.y ? panel.y : panel.y + panel.height - thickness, panel.width, thickness);
}
