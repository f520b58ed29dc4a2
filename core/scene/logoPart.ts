import { type LogoPlace } from "../arrangement/layout";
import { type BrandFacts } from "../document/facts";
import { type SlotKey } from "../document/sceneTemplate";
import { type Align } from "../geometry/column";
import { type Rect, rect } from "../geometry/rect";
import { type BrandStyle } from "./brandStyle";
import { logoNodes, logoSize, shownLogo } from "./plateLogo";
import { type PlacedSlot, type ScenePart } from "./prepared";
import { still } from "./wordsBlock";

const LOGO: SlotKey = "brand.logo";

/** The logo in the place that the arrangement keeps for it, as large as fits. Null where the brand has none. */
export function logoPart(
  brand: BrandFacts,
  { box, on, align }: LogoPlace,
  style: BrandStyle,
): { readonly part: ScenePart; readonly slot: PlacedSlot } | null {
  const logo = shownLogo(brand, on === null ? null : style.palette[on]);
  if (!logo) return null;
  const { width, height } = logoSize(brand, logo, box);
  const place = rect(box.x + (box.width - width) * BEFORE[align], box.y, width, height);
  const node = still(logoNodes(brand, logo, place, box.height), place);
  return { part: { kind: "fixed", node }, slot: logoSlot("logo", place) };
}

/** How much of the free room is before a thing, by how it is aligned. */
const BEFORE: Readonly<Record<Align, number>> = { start: 0, centre: 0.5, end: 1 };

/** @param part which of the brand's marks it is */
export const logoSlot = (part: "logo" | "watermark", place: Rect): PlacedSlot => ({
  key: LOGO,
  part,
  kind: "logo",
  place,
  text: "",
  fitted: null,
  smallest: 0,
});
