import { type Point, type Rect, evenInsets, inset, rect, union } from "../geometry/rect";
import { type FaceFiles } from "../type/faces";
import { type FittedWords, fitWords } from "../type/fit";
import { type FontBook } from "../type/fontBook";
import { outlineBounds } from "../type/outline";
import { paragraph } from "../type/paragraph";
import { type TypeRole, faceOf, fitRule } from "../type/roles";
import { type BrandStyle } from "./brandStyle";
import { type DisplayNode, type StillNode } from "./displayList";
import { type Format } from "../placement/formats";

/** What a scene needs at hand to set words. */
export interface Typesetter {
  readonly style: BrandStyle;
  readonly book: FontBook;
  readonly format: Format;
}

/** Words fitted to a box by the rule of their role. */
export function setWords(setter: Typesetter, role: TypeRole, text: string, box: Rect, align: "start" | "centre"): FittedWords {
  const stack: FaceFiles = setter.style.faces[faceOf(role)];
  return fitWords(paragraph(text.trim(), stack, setter.book), box, fitRule(role, setter.format.name, align));
}

/** The display nodes of set words at a place: one shape for all letters, then the emoji. */
export function wordNodes(words: FittedWords, at: Point, ink: string): DisplayNode[] {
  const outline = words.lines.flatMap((line) => line.outline);
  const letters: DisplayNode[] = outline.length > 0 ? [{ kind: "shape", outline, at, ink }] : [];
  const emoji = words.lines.flatMap((line) => line.emoji).map(
    ({ code, place }): DisplayNode => ({ kind: "emoji", code, place: { ...place, x: place.x + at.x, y: place.y + at.y } }),
  );
  return [...letters, ...emoji];
}

/** Nodes that hold still, with bounds that contain all they paint. */
export function still(children: readonly DisplayNode[], least: Rect): StillNode {
  const bounds = children.reduce((box, node) => {
    const own = boundsOf(node);
    return own ? union(box, own) : box;
  }, least);
  // A pixel of margin at the smallest output, for the soft edges of shapes.
  return { kind: "still", bounds: inset(bounds, evenInsets(-4)), children };
}

function boundsOf(node: DisplayNode): Rect | null {
  if (node.kind === "shape") {
    const box = outlineBounds(node.outline);
    return box && rect(box.x + node.at.x, box.y + node.at.y, box.width, box.height);
  }
  if ("place" in node) return node.place;
  return node.kind === "still" ? node.bounds : null;
}
