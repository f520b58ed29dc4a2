import { contrastRatio } from "../color/contrast";
import { type DominantColor } from "../color/dominant";
import { type LogoVariant } from "./book";

/** A logo with the colours it is drawn in. */
export interface LogoColors {
  readonly variant: LogoVariant;
  readonly colors: readonly DominantColor[];
}

/** Parts of a logo (WCAG 2.2, 1.4.11: graphics need 3:1). */
export const LOGO_CONTRAST = 3;
/** Colours that fill less than this are details. */
export const LOGO_DETAIL = 0.1;

/** The contrast of a logo on a ground: of its colours with the least contrast, details aside. 1 when its colours are not known. */
export function logoContrast(logo: LogoColors, ground: string): number {
  const parts = logo.colors.filter(({ share }) => share >= LOGO_DETAIL);
  return parts.length === 0 ? 1 : Math.min(...parts.map(({ hex }) => contrastRatio(hex, ground)));
}

/**
 * The logo to show on a ground: the first, in the order full, light, dark, mark, that reaches the contrast; else the one
 * that comes nearest. Null when there is none.
 */
export function logoFor<Logo extends LogoColors>(
  logos: readonly Logo[],
  ground: string,
  order: readonly LogoVariant[] = ["full", "light", "dark", "mark"],
): Logo | null {
  const sorted = [...logos].sort((a, b) => order.indexOf(a.variant) - order.indexOf(b.variant));
  const enough = sorted.find((logo) => logoContrast(logo, ground) >= LOGO_CONTRAST);
  return (
    enough ??
    sorted.reduce<Logo | null>(
      (best, logo) => (!best || logoContrast(logo, ground) > logoContrast(best, ground) ? logo : best),
      null,
    )
  );
}
