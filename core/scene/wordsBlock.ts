import { type Movement } from "../motion/movement";
import { type Align } from "../geometry/column";
import { type FaceRole } from "../brand/book";
import { type BehindWords } from "../document/design";
import { type TemplateStyle } from "../document/sceneTemplate";
import { type Point, type Rect, type Size, evenInsets, inset, rect, unionOf } from "../geometry/rect";
import { type Stretch } from "../type/emphasis";
import { type FormatName, type Shape } from "../placement/formats";
import { type FaceFiles } from "../type/faces";
import { type FittedWords, fitWords } from "../type/fit";
import { type FontBook } from "../type/fontBook";
import { type Outline } from "../type/outline";
import { type TypeRole, faceOf, fitRule, isTabular } from "../type/roles";
import { shapedText } from "../type/shapedTexts";
import { type BrandStyle } from "./brandStyle";
import { type DisplayNode, type StillNode } from "./displayList";
import { ownArea } from "./paintedAreas";

/** What a scene needs at hand to set words. */
export interface Typesetter {
  readonly style: BrandStyle;
  readonly design: TemplateStyle;
  /** How words move besides the way in which they come; as usual where it is not said. */
  readonly movement?: Movement | undefined;
  /** What is between words and their picture, as far as somebody said so. */
  readonly behindWords?: BehindWords | undefined;
  readonly book: FontBook;
  readonly shape: Shape;
  /** Null for shapes besides the three, for which no places are set by hand. */
  readonly format: FormatName | null;
}

/** The face a role is set in: the template's choice, else the role's own. */
export const roleFace = ({ design }: Typesetter, role: TypeRole): FaceRole => {
  const chosen: Partial<Readonly<Record<TypeRole, FaceRole>>> = design.faces;
  return chosen[role] ?? faceOf(role);
};

/** Words and how they are to be set. */
export interface WordsToSet {
  readonly role: TypeRole;
  readonly text: string;
  readonly align: Align;
  /** A size not to go beyond, below the role's own. */
  readonly largest?: number | undefined;
  /** Whether all figures are equally wide, in roles whose are not. */
  readonly tabular?: boolean | undefined;
}

/** Words fitted to a box by the rule of their role. */
export function setWords(
  setter: Typesetter,
  { role, text, align, largest = Infinity, tabular = false }: WordsToSet,
  box: Size,
): FittedWords {
  const stack: FaceFiles = setter.style.faces[roleFace(setter, role)];
  const rule = fitRule(role, setter.shape, align);
  return fitWords(shapedText(text.trim(), stack, setter.book, tabular || isTabular(role)), box, {
    ...rule,
    largest: Math.max(rule.smallest, Math.min(rule.largest, largest)),
  });
}

/** The inks that words are drawn in. */
export interface WordInks {
  readonly ink: string;
  /** Of the words that stand out. */
  readonly marked: string;
}

/** An underline: how far under the baseline and how thick, as shares of the size. */
const UNDERLINE = { under: 0.1, thick: 0.07 } as const;

/**
 * The display nodes of set words at a place: one shape for all letters, one for those that stand out, then the emoji. What
 * stands out is underlined where it has no ink of its own.
 */
export function wordNodes(words: FittedWords, at: Point, { ink, marked }: WordInks): DisplayNode[] {
  const shape = (outline: Outline, color: string): DisplayNode[] =>
    outline.length > 0 ? [{ kind: "shape", outline, at, ink: color }] : [];
  const joined = (part: "outline" | "marked"): Outline => {
    const [first] = words.lines;
    const none: number[] = [];
    // Joined whole: number by number would take longer than setting the words.
    return words.lines.length === 1 && first ? first[part] : none.concat(...words.lines.map((line) => line[part]));
  };
  const emoji = words.lines
    .flatMap((line) => line.emoji)
    .map(({ code, place }): DisplayNode => ({
      kind: "emoji",
      code,
      place: { ...place, x: place.x + at.x, y: place.y + at.y },
    }));
  const lines = marked === ink ? words.lines.flatMap((line) => underlines(words.size, line, at)) : [];
  const underlined = lines.map((place): DisplayNode => ({ kind: "fill", place, ink }));
  return [...shape(joined("outline"), ink), ...shape(joined("marked"), marked), ...underlined, ...emoji];
}

/** Under the words of a line that stand out, and the blanks between two of them. */
function underlines(size: number, { stretches, baseline }: FittedWords["lines"][number], at: Point): Rect[] {
  const joined = stretches.reduce<Stretch[]>((made, one) => {
    const last = made.at(-1);
    return last && one.start - last.end < size / 2
      ? [...made.slice(0, -1), { start: last.start, end: one.end }]
      : [...made, one];
  }, []);
  return joined.map(({ start, end }) =>
    rect(at.x + start, at.y + baseline + UNDERLINE.under * size, end - start, UNDERLINE.thick * size),
  );
}

/** Nodes that hold still, with bounds that contain all they paint. */
export function still(children: readonly DisplayNode[], least: Rect): StillNode {
  const bounds = unionOf([least, ...children.flatMap((node) => ownArea(node) ?? [])]) ?? least;
  // A pixel of margin at the smallest output, for the soft edges of shapes.
  return { kind: "still", bounds: inset(bounds, evenInsets(-4)), children };
}
