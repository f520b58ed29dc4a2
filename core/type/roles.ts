import { type FaceRole } from "../brand/book";
import { type WordsRole } from "../document/template";
import { type FormatName } from "../placement/formats";
import { type FitRule } from "./fit";

/** The parts of an offer are set as words too. */
export type TypeRole = WordsRole | "badge" | "price" | "was" | "until";

type Sizes = readonly [smallest: number, largest: number];
interface RoleRule {
  readonly face: FaceRole;
  readonly sizes: Readonly<Record<FormatName, Sizes>>;
  readonly mostLines: number;
  readonly leading: number;
}

/** Type sizes in design units. The least are those that can still be read on a phone held at arm's length. */
const ROLES: Readonly<Record<TypeRole, RoleRule>> = {
  headline: { face: "headline", mostLines: 4, leading: 1.02, sizes: { square: [60, 128], vertical: [64, 144], widescreen: [64, 144] } },
  name: { face: "headline", mostLines: 3, leading: 1.04, sizes: { square: [48, 88], vertical: [52, 108], widescreen: [52, 108] } },
  line: { face: "text", mostLines: 4, leading: 1.24, sizes: { square: [32, 48], vertical: [36, 64], widescreen: [34, 52] } },
  small: { face: "text", mostLines: 3, leading: 1.24, sizes: { square: [26, 34], vertical: [28, 40], widescreen: [26, 36] } },
  call: { face: "headline", mostLines: 3, leading: 1.04, sizes: { square: [56, 116], vertical: [60, 132], widescreen: [60, 132] } },
  contact: { face: "text", mostLines: 1, leading: 1.2, sizes: { square: [32, 48], vertical: [36, 54], widescreen: [32, 48] } },
  badge: { face: "headline", mostLines: 1, leading: 1.1, sizes: { square: [36, 60], vertical: [40, 72], widescreen: [40, 68] } },
  price: { face: "figures", mostLines: 1, leading: 1, sizes: { square: [72, 176], vertical: [84, 248], widescreen: [84, 248] } },
  was: { face: "figures", mostLines: 1, leading: 1.1, sizes: { square: [34, 68], vertical: [38, 84], widescreen: [38, 80] } },
  until: { face: "text", mostLines: 2, leading: 1.2, sizes: { square: [28, 42], vertical: [30, 54], widescreen: [30, 48] } },
};

/** How words of a role are set in a format. */
export function fitRule(role: TypeRole, format: FormatName, align: FitRule["align"]): FitRule {
  const { sizes, mostLines, leading } = ROLES[role];
  const [smallest, largest] = sizes[format];
  return { smallest, largest, mostLines, leading, align };
}

export const faceOf = (role: TypeRole): FaceRole => ROLES[role].face;
