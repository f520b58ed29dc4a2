import bezierEasing from "bezier-easing";
import fc from "fast-check";
import { cubicBezier } from "./easing";
import { AT_REST, ENTRANCE_MS, EXITS, EXIT_MS, MOTIONS, type MotionState, motionAt } from "./wordMotion";

/** On a grid, and away from curves that stand upright somewhere: there any solver's answer turns on the last bits of x. */
const upright = fc.integer({ min: 5, max: 95 }).map((hundredths) => hundredths / 100);
const progresses = fc.integer({ min: 0, max: 1000 }).map((thousandths) => thousandths / 1000);
const value = fc.integer({ min: -100, max: 200 }).map((hundredths) => hundredths / 100);

test("agrees with bezier-easing (CSS Easing 1)", () => {
  fc.assert(
    fc.property(upright, value, upright, value, progresses, (x1, y1, x2, y2, progress) => {
      expect(cubicBezier(x1, y1, x2, y2)(progress)).toBeCloseTo(bezierEasing(x1, y1, x2, y2)(progress), 3);
    }),
    { numRuns: 1000 },
  );
});

test("control points outside 0 to 1 in x are refused", () => {
  expect(() => cubicBezier(-0.1, 0, 1, 1)).toThrow(RangeError);
});

test.each(MOTIONS.filter((kind) => kind !== "still"))(
  "words that %s are unseen before, at rest between, and gone after",
  (kind) => {
    expect(motionAt(kind, 99, { from: 100, until: 4000 }).alpha).toBe(0);
    expect(motionAt(kind, 2000, { from: 100, until: 4000 })).toBe(AT_REST);
    expect(motionAt(kind, 4000, { from: 100, until: 4000 }).alpha).toBe(0);
  },
);

test("words that stay to the end never leave", () => {
  expect(motionAt("rise", 1e6, { from: 100, until: Infinity })).toBe(AT_REST);
});

test("every entrance ends where the thing stands, without a jump; every exit begins there and ends unseen", () => {
  const presence = { from: 0, until: 5000 };
  const far = ({ dx, dy, scale, angle }: MotionState): number =>
    Math.abs(dx) + Math.abs(dy) + Math.abs(scale - 1) * 100 + Math.abs(angle);
  for (const kind of MOTIONS) {
    const last = motionAt(kind, ENTRANCE_MS - 1, presence);
    expect([kind, far(last) < 1.5, last.alpha]).toEqual([kind, true, 1]);
    // Each has a way of its own.
    if (kind !== "still" && kind !== "fade")
      expect([kind, far(motionAt(kind, 60, presence)) > 2]).toEqual([kind, true]);
    for (const exit of EXITS) {
      expect(motionAt(kind, 5000 - EXIT_MS, { ...presence, exit })).toEqual(AT_REST);
      const gone = motionAt(kind, 5000, { ...presence, exit }).alpha;
      const stays = exit === "at once" || (exit === "as it came" && kind === "still");
      expect([kind, exit, gone]).toEqual([kind, exit, stays ? 1 : 0]);
    }
  }
});

test("no entrance, exit or movement flashes: what is seen of a thing only grows as it comes and only shrinks as it goes", () => {
  for (const kind of MOTIONS)
    for (const exit of EXITS) {
      const alphas = Array.from(
        { length: 151 },
        (_, frame) => motionAt(kind, (frame * 1000) / 30, { from: 200, until: 4800, exit }).alpha,
      );
      const turns = alphas.filter(
        (alpha, at) => at > 0 && at < 150 && (alpha - (alphas[at - 1] ?? 0)) * ((alphas[at + 1] ?? 0) - alpha) < 0,
      );
      expect([kind, exit, turns]).toEqual([kind, exit, []]);
    }
});
