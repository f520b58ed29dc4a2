import fc from "fast-check";
import { millis } from "../units";
import { FPS_30, frameAt, frameCount, frameTime } from "./frames";
import { readingNeed, readingVerdict } from "./reading";
import { sceneSpans, scenesAt, totalLength } from "./timeline";

const NTSC = { numerator: 30000, denominator: 1001 };

test("an hour at 30000/1001 is 107 892 frames, ten minutes 17 982 (SMPTE ST 12-1)", () => {
  expect(frameCount(3_600_000, NTSC)).toBe(107_892);
  expect(frameCount(600_000, NTSC)).toBe(17_982);
});

test("a frame is on screen from its own start until the next one's", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 200_000 }),
      fc.constantFrom(FPS_30, NTSC, { numerator: 25, denominator: 1 }),
      (index, rate) => {
        expect(frameAt(frameTime(index, rate), rate)).toBe(index);
        expect(frameAt(frameTime(index + 1, rate) - 0.01, rate)).toBe(index);
      },
    ),
  );
});

test("two scenes of 5 s with a 1 s crossfade last 9 s (common practice)", () => {
  const spans = sceneSpans([
    { length: millis(5000), overlap: millis(0) },
    { length: millis(5000), overlap: millis(1000) },
  ]);
  expect(totalLength(spans)).toBe(9000);
  expect(scenesAt(spans, 3999)).toMatchObject({ under: { index: 0 } });
  expect(scenesAt(spans, 4500)).toMatchObject({ under: { index: 0 }, over: { span: { index: 1 }, progress: 0.5 } });
  expect(scenesAt(spans, 5000).over).toBeUndefined();
});

test("there is exactly one scene, or two in transition, at any time", () => {
  const scene = fc.record({
    length: fc.integer({ min: 1000, max: 8000 }).map(millis),
    overlap: fc.integer({ min: 0, max: 500 }).map(millis),
  });
  fc.assert(
    fc.property(
      fc.array(scene, { minLength: 1, maxLength: 8 }),
      fc.double({ min: -1, max: 2, noNaN: true }),
      (scenes, share) => {
        const spans = sceneSpans(scenes);
        const { under, over } = scenesAt(spans, share * totalLength(spans));
        if (over) {
          expect(over.span.index).toBe(under.index + 1);
          expect(over.progress).toBeGreaterThanOrEqual(0);
          expect(over.progress).toBeLessThan(1);
        }
      },
    ),
  );
});

test("overlaps that would meet are refused, naming the scenes", () => {
  expect(() =>
    sceneSpans([
      { length: millis(2000), overlap: millis(0) },
      { length: millis(1000), overlap: millis(800) },
      { length: millis(2000), overlap: millis(800) },
    ]),
  ).toThrow("Scene 3 overlaps scene 2");
});

test("reading takes half a second and a second for every 16 letters (common practice)", () => {
  expect(readingNeed("")).toBe(0);
  expect(readingNeed("x".repeat(32))).toBe(2500);
  expect([
    readingVerdict("x".repeat(32), 2499),
    readingVerdict("x".repeat(32), 2600),
    readingVerdict("x".repeat(32), 4000),
  ]).toEqual(["short", "tight", "fine"]);
});
