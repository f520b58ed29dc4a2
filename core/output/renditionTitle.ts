import { type FormatName, formatTitle } from "../placement/formats";
import { FILE_KINDS } from "./fileKinds";
import { type Output } from "./output";
import { USUAL_RATE } from "./rates";

/**
 * What a file is told from the others of its promotion by: where it goes, or its format and, where it is no usual film, its
 * kind.
 *
 * @param placements the titles of placements, by id
 */
export function renditionTitle(
  format: FormatName,
  { kind, placement }: Pick<Output, "kind" | "placement">,
  placements: Readonly<Record<string, string>>,
): string {
  if (placement !== null) return placements[placement] ?? placement;
  return kind === "mp4" ? formatTitle(format) : `${formatTitle(format)} ${FILE_KINDS[kind].title}`;
}

/** At how many frames a second a file is made, where it is a film and that is not as usual; nothing else. In a list of figures. */
export const unusualRate = ({ kind, rate }: Pick<Output, "kind" | "rate">): string[] =>
  FILE_KINDS[kind].takesLimit && rate !== USUAL_RATE ? [`${rate} fps`] : [];
