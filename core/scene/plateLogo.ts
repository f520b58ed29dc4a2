import { logoContrast, logoFor, LOGO_CONTRAST } from "../brand/logoChoice";
import { type BrandFacts, type PictureFacts } from "../document/facts";
import { RHYTHM } from "../geometry/column";
import { containPlace } from "../geometry/framing";
import { type Rect, type Size, rect } from "../geometry/rect";
import { cutCard } from "../type/outline";
import { type DisplayNode } from "./displayList";
import { containNode } from "./pictureNodes";

/** A logo as it is shown on some ground: as it is, or on a plate where nothing of the brand can be told from the ground. */
export interface ShownLogo {
  readonly picture: PictureFacts;
  readonly plated: boolean;
}

/** The logo for a ground in a colour; on its plate where there is no ground to speak of (a picture) or no variant stands out. */
export function shownLogo({ logos, palette }: BrandFacts, ground: string | null): ShownLogo | null {
  const choices = logos.map(({ variant, picture }) => ({ variant, picture, colors: picture.colors ?? [] }));
  const bare = ground === null ? null : logoFor(choices, ground);
  if (bare && ground !== null && logoContrast(bare, ground) >= LOGO_CONTRAST)
    return { picture: bare.picture, plated: false };
  const onPlate = logoFor(choices, palette.card);
  return onPlate && { picture: onPlate.picture, plated: true };
}

/** The clear space that the brand asks for around its logo, and never less than a plate needs. */
export function padOf({ logoRules }: BrandFacts, plated: boolean, height: number): number {
  return plated ? Math.max(RHYTHM * 2, (height * logoRules.clearSpace) / (1 + 2 * logoRules.clearSpace)) : 0;
}

/** How large a logo is with its plate, and how far it is from the plate's edge. */
export interface LogoSize extends Size {
  readonly pad: number;
}

/** The size of a logo, with its plate, as large as fits. */
export function logoSize(brand: BrandFacts, { picture, plated }: ShownLogo, most: Size): LogoSize {
  const pad = padOf(brand, plated, most.height);
  const inside = containPlace(
    picture,
    rect(0, 0, Math.max(1, most.width - 2 * pad), Math.max(1, most.height - 2 * pad)),
  );
  return { width: inside.width + 2 * pad, height: inside.height + 2 * pad, pad };
}

/** How high the room for a logo must be, plate and all, so that it is as wide as the brand asks for at least. */
export function leastLogoHeight(brand: BrandFacts, { picture, plated }: ShownLogo): number {
  const { leastWidth, clearSpace } = brand.logoRules;
  const height = (leastWidth * picture.height) / picture.width;
  return plated ? Math.max(height + RHYTHM * 4, height * (1 + 2 * clearSpace)) : height;
}

export function logoNodes(brand: BrandFacts, { picture, plated }: ShownLogo, place: Rect, pad: number): DisplayNode[] {
  const plate: DisplayNode[] = plated
    ? [{ kind: "shape", outline: cutCard(place, RHYTHM), at: { x: 0, y: 0 }, ink: brand.palette.card }]
    : [];
  const inside = rect(place.x + pad, place.y + pad, place.width - 2 * pad, place.height - 2 * pad);
  return [...plate, containNode(picture, inside)];
}
