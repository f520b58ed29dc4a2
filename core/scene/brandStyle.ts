import { inkFor } from "../color/palette";
import { type BrandFacts } from "../document/facts";
import { FACE_ROLES, type FaceRole } from "../brand/book";
import { type FaceFiles, faceStack } from "../type/faces";
import { type FontBook } from "../type/fontBook";

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
  readonly faces: Readonly<Record<FaceRole, FaceFiles>>;
}

export function brandStyle(brand: BrandFacts, book: FontBook): BrandStyle {
  const { palette } = brand;
  const files = FACE_ROLES.map((role) => [role, faceStack(book.catalogue, brand.faces[role], brand.ownFaces)] as const);
  return {
    panel: palette.card,
    onPanel: inkFor(palette.card, palette, ["ink"]),
    onPanelStrong: inkFor(palette.card, palette, ["primary", "ink"]),
    offerGround: palette.primary,
    onOffer: inkFor(palette.primary, palette, ["card", "ground", "ink"]),
    badge: palette.sale,
    onBadge: inkFor(palette.sale, palette, ["card", "ink"]),
    shade: palette.ink,
    onShade: inkFor(palette.ink, palette, ["card", "ground"]),
    plate: palette.card,
    rule: palette.accent,
    faces: Object.fromEntries(files) as Record<FaceRole, FaceFiles>,
  };
}
