import { keyIn } from "../records";
import { formatTitle, type FormatName } from "../placement/formats";
import { FILE_KINDS } from "./fileKinds";
import { type Output } from "./output";

/** What a file's name can be made of, and what each stands for. */
export const NAME_PARTS = {
  promotion: "the promotion’s name",
  format: "square, vertical …",
  placement: "where it goes, or nothing",
  quality: "480p, 1080p …",
  rate: "frames a second",
  date: "the day it was rendered",
  revision: "which version of the promotion",
} as const;
type NamePart = keyof typeof NAME_PARTS;

export const USUAL_PATTERN = "{promotion}-{format}-{quality}";
export const MOST_PATTERN = 120;
/** File systems take 255 bytes; archives and mail less. */
const MOST_NAME = 120;

/** What is known of a file that gets a name. */
export interface Named {
  readonly promotion: string;
  readonly format: FormatName;
  readonly output: Output;
  /** The title of where it goes, if it goes anywhere. */
  readonly placement: string | null;
  /** `YYYY-MM-DD`. */
  readonly date: string;
  readonly revision: number;
}

/** What is wrong with a pattern, in words; null where nothing is. */
export function patternProblem(pattern: string): string | null {
  if (pattern.length > MOST_PATTERN) return `At most ${MOST_PATTERN} characters.`;
  const unknown = [...pattern.matchAll(/\{([^{}]*)\}/g)].find(([, name]) => !Object.hasOwn(NAME_PARTS, name ?? ""));
  if (unknown) return `“${unknown[0]}” stands for nothing. There are: ${partsInWords()}.`;
  return /[{}]/.test(pattern.replaceAll(/\{[^{}]*\}/g, ""))
    ? `A bracket is open. What stands for something is written as in {promotion}.`
    : null;
}
const partsInWords = (): string =>
  Object.keys(NAME_PARTS)
    .map((name) => `{${name}}`)
    .join(", ");

/**
 * The name of a file by a pattern, with its ending: letters, figures and single dashes, so that it is the same on every
 * file system. A pattern that leaves nothing gives the promotion's name.
 */
export function fileNameBy(pattern: string, named: Named): string {
  const { output } = named;
  const parts: Readonly<Record<NamePart, string>> = {
    promotion: named.promotion,
    format: formatTitle(named.format).replace(":", "x"),
    placement: named.placement ?? "",
    quality: output.quality,
    rate: output.rate,
    date: named.date,
    revision: `r${named.revision}`,
  };
  const filled = pattern.replaceAll(/\{(\w+)\}/g, (whole, name: string) => {
    const part = keyIn(parts, name);
    return part === null ? whole : parts[part];
  });
  const name = plain(filled) || plain(named.promotion) || "promotion";
  return `${name}.${FILE_KINDS[output.kind].ending}`;
}

const plain = (text: string): string =>
  text
    .normalize("NFKD")
    .replaceAll(/\p{M}/gu, "")
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}._]+/gu, "-")
    .replaceAll(/-{2,}/g, "-")
    .replaceAll(/^[-.]+|[-.]+$/g, "")
    .slice(0, MOST_NAME);

/** Names of files that lie beside each other: of those that are alike, the second and later ones are counted. */
export function besideEachOther(names: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return names.map((name) => {
    const count = (seen.get(name) ?? 0) + 1;
    seen.set(name, count);
    if (count === 1) return name;
    const dot = name.lastIndexOf(".");
    return `${name.slice(0, dot)}-${count}${name.slice(dot)}`;
  });
}
