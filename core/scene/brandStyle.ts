import { inkFor } from "../color/palette";
import { type BrandFacts } from "../document/facts";
import { type FaceChoice, type FaceFiles, faceStack } from "../type/faces";
import { type FontBook } from "../type/fontBook";
import { headlineWeight, textWeight } from "../type/shippedFaces";

/** A brand as scenes use it: colours by their work, and the fonts to try for each face. */
export interface BrandStyle {
  readonly panel: string;
  readonly onPanel: string;
  readonly onPanelStrong: string;
  readonly offerGround: string;
  readonly onOffer: string;
  readonly badge: string;
  readonly onBadge: string;
  readonly shade: string;
  readonly onShade: string;
  readonly plate: string;
  readonly rule: string;
  readonly faces: Readonly<Record<"headline" | "text", FaceFiles>>;
}

export const brandFaces = (brand: BrandFacts): Readonly<Record<"headline" | "text", FaceChoice>> => ({
  headline: { family: brand.headlineFamily, weight: headlineWeight(brand.headlineFamily) },
  text: { family: brand.textFamily, weight: textWeight(brand.textFamily) },
});

export function brandStyle(brand: BrandFacts, book: FontBook): BrandStyle {
  const { palette } = brand;
  const choices = brandFaces(brand);
  return {
    panel: palette.card,
    onPanel: inkFor(palette.card, palette, ["ink"]),
    onPanelStrong: inkFor(palette.card, palette, ["primary", "ink"]),
    offerGround: palette.primary,
    onOffer: inkFor(palette.primary, palette, ["card", "ground", "ink"]),
    badge: palette.accent,
    onBadge: inkFor(palette.accent, palette, ["card", "ink"]),
    shade: palette.ink,
    onShade: inkFor(palette.ink, palette, ["card", "ground"]),
    plate: palette.card,
    rule: palette.accent,
    faces: { headline: faceStack(book.catalogue, choices.headline), text: faceStack(book.catalogue, choices.text) },
  };
}
