import { type ArrangementOf } from "../document/arrangements";
import { wholeOf } from "../geometry/rect";
import { type Content, type Entry, type Layout } from "./layout";
import { logoInCorner } from "./logoInCorner";
import { cutInTwo, roomIn, stanceOf, steps } from "./shape";

/** What somebody said under a large quotation mark, their stars, and who it was; beside a picture when there is one. */
export function layQuote(
  { align }: ArrangementOf<"quote">,
  { shape, ground, entries, pictures, logo }: Content,
): Layout {
  const hasPicture = pictures.length > 0;
  const beside = stanceOf(shape) === "lying";
  const [picture, panel] = hasPicture ? cutInTwo(shape, beside, beside ? 0.38 : 0.34) : [null, wholeOf(shape)];
  const said = entries.find(({ role }) => role === "quote");
  const mark: Entry[] = said ? [{ id: "mark", key: said.key, role: "line", text: "", look: "mark", share: 0.5 }] : [];
  const order = (entry: Entry): number => (entry.look === "stars" ? 0 : entry.role === "quote" ? 1 : 2);
  const sorted = [...entries].sort((one, other) => order(one) - order(other));
  return {
    grounds: [{ place: panel, ink: ground }],
    pictures: picture ? [{ index: 0, place: picture, drift: "in" }] : [],
    rules: [],
    columns: [
      {
        area: roomIn(shape, panel, steps(5)),
        entries: [...mark, ...sorted],
        align,
        anchor: "middle",
        gap: steps(3),
        on: { kind: "ground", role: ground },
      },
    ],
    logo: logo && picture ? logoInCorner(shape, picture) : null,
  };
}
