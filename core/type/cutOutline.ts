import { type Point } from "../geometry/rect";
import { type Side, cutBySides } from "../geometry/polygon";
import { flattened } from "./flattened";
import { type Outline, STEP, eachStep, polygon } from "./outline";

/** What of an outline is on the kept side of all lines, in straight lines. Filled by winding it is what it was there. */
export const cutOutline = (outline: Outline, sides: readonly Side[]): Outline =>
  ringsOf(flattened(outline)).flatMap((ring) => {
    const corners = cutBySides(ring, sides);
    return corners.length > 2 ? polygon(...corners.flatMap(({ x, y }) => [x, y])) : [];
  });

/** The closed rings of an outline of lines; filling closes each, whether it says so or not. */
function ringsOf(outline: Outline): readonly (readonly Point[])[] {
  const rings: Point[][] = [];
  eachStep(outline, (step, at) => {
    if (step === STEP.move) rings.push([]);
    if (step !== STEP.close) rings.at(-1)?.push({ x: outline[at] ?? 0, y: outline[at + 1] ?? 0 });
  });
  return rings;
}
