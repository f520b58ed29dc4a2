import { appendPlaced, cutCard, eachStep, outlineBounds, polygon, STEP } from "./outline";
import { rect } from "../geometry/rect";

test("bounds contain every point, control points too", () => {
  expect(outlineBounds([STEP.move, 1, 2, STEP.quadratic, 10, -5, 3, 4, STEP.close])).toEqual(rect(1, -5, 9, 9));
  expect(outlineBounds([])).toBeNull();
});

test("an outline is scaled first and moved then", () => {
  const target: number[] = [];
  appendPlaced(target, polygon(1, 2, 3, 4), 2, 10, 100, 1000);
  expect(target).toEqual([STEP.move, 102, 1020, STEP.line, 106, 1040, STEP.close]);
});

test("a cut card lies in its rectangle with two corners cut", () => {
  const card = cutCard(rect(10, 20, 100, 50), 8);
  expect(outlineBounds(card)).toEqual(rect(10, 20, 100, 50));
  let corners = 0;
  eachStep(card, (step) => (corners += step === STEP.close ? 0 : 1));
  expect(corners).toBe(6);
});

test("an unknown step is named with its place", () => {
  expect(() => eachStep([STEP.move, 0, 0, 9], () => undefined)).toThrow("Unknown step 9 at 3");
});
