import { differenceCiede2000 } from "culori";
import { COLOR_ROLES, type ColorRole, type Palette } from "./palette";

const ciede2000 = differenceCiede2000();

/** How different two colours look: CIEDE2000, 0 for equal; about 2 is just noticeable side by side. */
export const colorDifference = (one: string, other: string): number => ciede2000(one, other);

/** Two roles closer than this can't be told apart at a glance (common practice: ΔE00 below 10). */
export const TOO_ALIKE = 10;

export interface AlikePair {
  readonly roles: readonly [ColorRole, ColorRole];
  readonly difference: number;
}

/** Roles whose colours are too alike to do different work, most alike first. Accent and sale may be one colour. */
export function alikeRoles(palette: Palette): AlikePair[] {
  const pairs = COLOR_ROLES.flatMap((one, index) =>
    COLOR_ROLES.slice(index + 1).map((other): AlikePair => ({
      roles: [one, other],
      difference: colorDifference(palette[one], palette[other]),
    })),
  );
  return pairs
    .filter(
      ({ roles, difference }) =>
        difference < TOO_ALIKE &&
        !(roles[0] === "accent" && roles[1] === "sale" && difference === 0) &&
        !grounds(roles),
    )
    .sort((a, b) => a.difference - b.difference);
}

/** A card is meant to lie softly on its ground. */
const grounds = ([one, other]: AlikePair["roles"]): boolean => one === "ground" && other === "card";
