import { type LogoPlace } from "../arrangement/layout";
import { type BrandFacts } from "../document/facts";
import { type BrandMark, markKey } from "../document/brandMark";
import { type Align } from "../geometry/column";
import { type Rect, evenInsets, inset, rect } from "../geometry/rect";
import { type BrandStyle } from "./brandStyle";
import { logoNodes, logoSize, shownLogo } from "./plateLogo";
import { type PlacedSlot, type ScenePart } from "./prepared";
import { still } from "./wordsBlock";

/** The logo in the place that the arrangement keeps for it, as large as fits. Null where the brand has none. */
export function logoPart(
  brand: BrandFacts,
  { box, on, align, anchor }: LogoPlace,
  style: BrandStyle,
): { readonly part: ScenePart; readonly place: Rect; readonly pad: number } | null {
  const logo = shownLogo(brand, on === null ? null : style.palette[on]);
  if (!logo) return null;
  const { width, height, pad } = logoSize(brand, logo, box);
  const above = anchor === "middle" ? (box.height - height) / 2 : 0;
  const place = rect(box.x + (box.width - width) * BEFORE[align], box.y + above, width, height);
  const node = still(logoNodes(brand, logo, place, pad), place);
  return { part: { kind: "fixed", node }, place, pad };
}

/** How much of the free room is before a thing, by how it is aligned. */
const BEFORE: Readonly<Record<Align, number>> = { start: 0, centre: 0.5, end: 1 };

/** @param scene its id @param pad how far the logo is from the edge of its plate */
export const logoSlot = (mark: BrandMark, scene: string, place: Rect, pad = 0): PlacedSlot => ({
  key: markKey(mark, scene),
  part: mark,
  kind: "logo",
  place,
  logo: inset(place, evenInsets(pad)),
  text: "",
  fitted: null,
  smallest: 0,
});
