import fc from "fast-check";
import { millis } from "../units";
import { frameCount } from "./frames";
import { readingNeed, readingVerdict } from "./reading";
import { TICKS_PER_SECOND, frameOn, frameStart, msOf, ticks, ticksOf, ticksPerFrame } from "./ticks";
import { sceneMostSeen, sceneSpans, sceneTrack, totalLength } from "./timeline";
import { spansAt, turns } from "./tracks";

const NTSC = { numerator: 30000, denominator: 1001 };

test("an hour at 30000/1001 is 107 892 frames, ten minutes 17 982 (SMPTE ST 12-1)", () => {
  expect(frameCount(3_600_000, NTSC)).toBe(107_892);
  expect(frameCount(600_000, NTSC)).toBe(17_982);
});

/** The rates of ITU-R BT.2020 table 2 and their neighbours in use, and the two sampling rates of AES5. */
const RATES = [24, 25, 30, 48, 50, 60].flatMap((rate) => [
  { numerator: rate, denominator: 1 },
  { numerator: rate * 1000, denominator: 1001 },
]);

test("frames of every rate, samples at 44.1 and 48 kHz, and milliseconds are whole numbers of ticks", () => {
  for (const rate of RATES) expect(Number.isInteger(ticksPerFrame(rate))).toBe(true);
  expect([TICKS_PER_SECOND % 44_100, TICKS_PER_SECOND % 48_000, TICKS_PER_SECOND % 1000]).toEqual([0, 0, 0]);
  expect(() => ticksPerFrame({ numerator: 31, denominator: 1 })).toThrow("does not divide 31/1");
  expect(() => ticks(0.5)).toThrow(RangeError);
});

test("a frame is on screen from its own start until the next one's, to the tick", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 20_000_000 }), fc.constantFrom(...RATES), (index, rate) => {
      expect(frameOn(frameStart(index, rate), rate)).toBe(index);
      expect(frameOn(ticks(frameStart(index + 1, rate) - 1), rate)).toBe(index);
    }),
  );
});

test("milliseconds are kept exactly, there and back", () => {
  fc.assert(fc.property(fc.integer({ min: 0, max: 86_400_000 }), (ms) => expect(msOf(ticksOf(ms))).toBe(ms)));
  // An hour of frames at 30000/1001 begins with the frame of its number: nothing drifts (SMPTE ST 12-1 counts 107 892).
  expect(frameOn(ticksOf(3_600_000), NTSC)).toBe(107_892);
});

test("two scenes of 5 s with a 1 s crossfade last 9 s (common practice)", () => {
  const spans = sceneSpans([
    { length: millis(5000), overlap: millis(0) },
    { length: millis(5000), overlap: millis(1000) },
  ]);
  expect(totalLength(spans)).toBe(9000);
  const shown = (ms: number): number[] => spansAt(sceneTrack(spans), ticksOf(ms)).map(({ what }) => what);
  expect([3999, 4000, 4999, 5000, 8999, 9000].map(shown)).toEqual([[0], [0, 1], [0, 1], [1], [1], []]);
  expect([0, 4499, 4500, 9000, -5].map((ms) => sceneMostSeen(spans, ms))).toEqual([0, 0, 1, 1, 0]);
});

test("there is exactly one scene, or two neighbours in transition, at any time", () => {
  const scene = fc.record({
    length: fc.integer({ min: 1000, max: 8000 }).map(millis),
    overlap: fc.integer({ min: 0, max: 500 }).map(millis),
  });
  fc.assert(
    fc.property(
      fc.array(scene, { minLength: 1, maxLength: 8 }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      (scenes, share) => {
        const spans = sceneSpans(scenes);
        const shown = spansAt(sceneTrack(spans), ticksOf(share * totalLength(spans))).map(({ what }) => what);
        const [first = -1, second] = shown;
        expect(shown).toEqual(second === undefined ? [first] : [first, first + 1]);
      },
    ),
  );
});

test("any number of spans may be there at once; what comes or goes is a turn, named once", () => {
  const span = (what: string, from: number, to: number) => ({ what, from: ticksOf(from), to: ticksOf(to) });
  const [scenes, items] = [[span("a", 0, 3000), span("b", 2000, 5000)], [span("over both", 1000, 5000)]];
  const track = [...scenes, ...items];
  expect(spansAt(track, ticksOf(2500)).map(({ what }) => what)).toEqual(["a", "b", "over both"]);
  expect(turns([scenes, items])).toEqual([0, 1000, 2000, 3000, 5000].map(ticksOf));
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
