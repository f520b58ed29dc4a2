import { type FaceRole } from "../brand/book";
import { type WordsRole } from "../document/wordsRole";
import { type Align } from "../geometry/column";
import { type Size } from "../geometry/rect";
import { type FitRule } from "./fit";

type OfferRole = "badge" | "price" | "was" | "until";
type RowRole = "row-name" | "row-price" | "number";
/** The parts of an offer, of a price list and what arrangements add of their own are set as words too. */
export type TypeRole = Exclude<WordsRole, "stars" | "link"> | OfferRole | RowRole;

type Sizes = readonly [smallest: number, usual: number];
interface RoleRule {
  readonly face: FaceRole;
  /** In a square, and in a shape of 16:9 or 9:16 and beyond; between them in between. */
  readonly square: Sizes;
  readonly long: Sizes;
  readonly mostLines: number;
  readonly leading: number;
  readonly tabular?: boolean;
}

/**
 * Type sizes in design units. The usual one is what every scene of a format has where its words have room; the least is
 * what can still be read on a phone held at arm's length.
 */
const ROLES: Readonly<Record<TypeRole, RoleRule>> = {
  headline: { face: "headline", mostLines: 5, leading: 1.02, square: [60, 124], long: [64, 140] },
  name: { face: "headline", mostLines: 4, leading: 1.04, square: [48, 84], long: [52, 104] },
  line: { face: "text", mostLines: 5, leading: 1.24, square: [32, 46], long: [36, 62] },
  small: { face: "text", mostLines: 3, leading: 1.24, square: [26, 34], long: [28, 40] },
  call: { face: "headline", mostLines: 3, leading: 1.04, square: [56, 108], long: [60, 124] },
  contact: { face: "text", mostLines: 2, leading: 1.2, square: [32, 46], long: [34, 50] },
  figure: { face: "figures", mostLines: 1, leading: 1, square: [120, 640], long: [140, 760] },
  quote: { face: "headline", mostLines: 8, leading: 1.12, square: [44, 76], long: [48, 88] },
  label: { face: "text", mostLines: 1, leading: 1.1, square: [30, 42], long: [32, 48] },
  step: { face: "text", mostLines: 3, leading: 1.18, square: [32, 50], long: [34, 70] },
  badge: { face: "headline", mostLines: 1, leading: 1.1, square: [36, 58], long: [40, 68] },
  price: { face: "figures", mostLines: 1, leading: 1, square: [72, 172], long: [84, 220] },
  was: { face: "figures", mostLines: 1, leading: 1.1, square: [34, 64], long: [38, 76] },
  until: { face: "text", mostLines: 2, leading: 1.2, square: [28, 42], long: [30, 50] },
  "row-name": { face: "text", mostLines: 2, leading: 1.12, square: [30, 46], long: [32, 58] },
  "row-price": { face: "figures", mostLines: 1, leading: 1.1, square: [30, 48], long: [32, 62], tabular: true },
  number: { face: "figures", mostLines: 1, leading: 1, square: [40, 76], long: [44, 92] },
};

/** How long a shape is, from 0 (square) to 1 (16:9, 9:16 and beyond). */
function elongation({ width, height }: Size): number {
  return Math.min(1, Math.abs(Math.log(width / height)) / Math.log(16 / 9));
}

/** How words of a role are set in a shape. */
export function fitRule(role: TypeRole, shape: Size, align: Align): FitRule {
  const { square, long, mostLines, leading } = ROLES[role];
  const at = elongation(shape);
  const between = (index: 0 | 1): number => Math.round(square[index] + (long[index] - square[index]) * at);
  return { smallest: between(0), largest: between(1), mostLines, leading, align };
}

export const faceOf = (role: TypeRole): FaceRole => ROLES[role].face;
export const isTabular = (role: TypeRole): boolean => ROLES[role].tabular === true;
