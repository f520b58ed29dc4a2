import { recordBy } from "../records";
import { FACE_ROLES, type FaceRole } from "../brand/book";
import { type BrandForm } from "../brand/forms";
import { contrastRatio } from "../color/contrast";
import { COLOR_ROLES, type ColorRole, type Palette, inkFor } from "../color/palette";
import { type BrandFacts } from "../document/facts";
import { type FaceFiles, faceStack } from "../type/faces";
import { type FontBook } from "../type/fontBook";

/** The inks that can be read on one of the brand's colours. */
export interface GroundInks {
  readonly ground: string;
  readonly plain: string;
  /** For names and prices: a colour of the brand where the ground allows it. */
  readonly strong: string;
  /** For large figures, marks and stars only: 3:1. */
  readonly accent: string;
  /** A card that stands out from the ground, and the ink on it. */
  readonly badge: string;
  readonly onBadge: string;
  /** Over a picture: whether a colour can be read there, as it was measured. */
  readonly isRead?: (color: string) => boolean;
}

/** A brand as scenes use it: colours by their work, and the fonts to try for each face. */
export interface BrandStyle {
  readonly palette: Palette;
  readonly form?: BrandForm | undefined;
  readonly on: Readonly<Record<ColorRole, GroundInks>>;
  /** Laid over pictures behind light words, and behind dark ones. */
  readonly shade: string;
  readonly onShade: string;
  readonly plate: string;
  readonly onPlate: string;
  /** Where a picture is missing. */
  readonly blank: string;
  readonly faces: Readonly<Record<FaceRole, FaceFiles>>;
  readonly weights: Readonly<Record<FaceRole, number>>;
}

const LARGE = 3;
/** Two surfaces nearer to each other than this look like one. */
const LEAST_STEP = 1.12;

/** What was made of a brand, once for all the formats that show it. */
const styles = new WeakMap<BrandFacts, { readonly book: FontBook; readonly style: BrandStyle }>();

export function brandStyle(brand: BrandFacts, book: FontBook): BrandStyle {
  const known = styles.get(brand);
  if (known?.book === book) return known.style;
  const style = styled(brand, book);
  styles.set(brand, { book, style });
  return style;
}

function styled(brand: BrandFacts, book: FontBook): BrandStyle {
  const { palette } = brand;
  return {
    palette,
    form: brand.form,
    on: recordBy(COLOR_ROLES, (role) => inksOn(palette, role)),
    shade: palette.ink,
    onShade: inkFor(palette.ink, palette, ["card", "ground"]),
    plate: palette.card,
    onPlate: inkFor(palette.card, palette, ["ink"]),
    blank: palette.primary,
    faces: recordBy(FACE_ROLES, (role) => faceStack(book.catalogue, brand.faces[role], brand.ownFaces)),
    weights: recordBy(FACE_ROLES, (role) => brand.faces[role].weight),
  };
}

function inksOn(palette: Palette, role: ColorRole): GroundInks {
  const ground = palette[role];
  const plain = inkFor(ground, palette, ["ink", "card", "ground"]);
  const badgeRole =
    (["sale", "accent", "card", "ink"] as const).find(
      (one) => one !== role && contrastRatio(palette[one], ground) >= LEAST_STEP,
    ) ?? "card";
  return {
    ground,
    plain,
    strong: role === "card" || role === "ground" ? inkFor(ground, palette, ["primary", "ink"]) : plain,
    accent: inkFor(ground, palette, ["accent", "sale", "card", "ink"], LARGE),
    badge: palette[badgeRole],
    onBadge: inkFor(palette[badgeRole], palette, ["card", "ink"]),
  };
}
