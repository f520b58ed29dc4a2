import { COORDINATES, type Outline, STEP, eachStep } from "./outline";

/**
 * How far a curve may lie from the lines that stand for it, in design units: a twentieth of a pixel where one unit is four
 * pixels (twice the largest output).
 */
const FLATNESS = 0.0125;

/** The same outline with its curves cut into straight lines, so fine that nobody sees it. */
export function flattened(outline: Outline): Outline {
  const target: number[] = [];
  let [fromX, fromY] = [0, 0];
  eachStep(outline, (step, at) => {
    const points = outline.slice(at, at + (COORDINATES[step] ?? 0));
    if (step === STEP.quadratic || step === STEP.cubic) {
      const curve = [fromX, fromY, ...points];
      const pieces = piecesOf(curve);
      for (let piece = 1; piece <= pieces; piece++) target.push(STEP.line, ...pointOn(curve, piece / pieces));
    } else target.push(step, ...points);
    if (points.length > 0) [fromX, fromY] = [points.at(-2) ?? 0, points.at(-1) ?? 0];
  });
  return target;
}

/**
 * Into how many equal pieces of its parameter a Bézier curve is cut to stay within `FLATNESS`: its degree times the largest
 * second difference of its points bounds its bend (G. Wang, “The subdivision method for finding the intersection between
 * two Bézier curves or surfaces”, 1984).
 * @param curve its points as x, y, x, y …, the first one included
 */
function piecesOf(curve: readonly number[]): number {
  const degree = curve.length / 2 - 1;
  let bend = 0;
  for (let at = 0; at + 5 < curve.length; at += 2) {
    const second = (offset: number): number =>
      (curve[at + offset] ?? 0) - 2 * (curve[at + offset + 2] ?? 0) + (curve[at + offset + 4] ?? 0);
    bend = Math.max(bend, Math.hypot(second(0), second(1)));
  }
  return Math.max(1, Math.ceil(Math.sqrt((degree * (degree - 1) * bend) / (8 * FLATNESS))));
}

/** The point of a Bézier curve at a parameter, by de Casteljau's construction. */
function pointOn(curve: readonly number[], t: number): readonly number[] {
  if (curve.length === 2) return curve;
  const between: number[] = [];
  for (let at = 0; at + 2 < curve.length; at++) between.push((curve[at] ?? 0) * (1 - t) + (curve[at + 2] ?? 0) * t);
  return pointOn(between, t);
}
