import fc from "fast-check";
import { CENTRE } from "./framing";
import { type SubjectPath, pathPoints, subjectAt, withBend } from "./subjectPath";

const point = (x: number, y = 0.5) => ({ x, y });
/** Goes from left to right in the first picture, and stands to the right in the second. */
const PATH: SubjectPath = {
  step: 10,
  pieces: [
    { from: 0, points: pathPoints([point(0.2), point(0.3), point(0.4), point(0.5)]) },
    { from: 33, points: pathPoints([point(0.8, 0.25), point(0.8, 0.25)]) },
  ],
};
const at = (frame: number, bends: Parameters<typeof subjectAt>[1] = []) => subjectAt(PATH, bends, frame, CENTRE);

test("a path passes through its points, and evenly between those of an even pace", () => {
  expect(at(0).x).toBeCloseTo(0.2, 4);
  expect(at(10).x).toBeCloseTo(0.3, 4);
  expect(at(15).x).toBeCloseTo(0.35, 4);
  expect(at(32).x).toBeCloseTo(0.5, 4);
});

test("at a cut it is at the new place at once, with nothing between", () => {
  expect(at(32)).toEqual({ x: expect.closeTo(0.5, 4) as number, y: expect.closeTo(0.5, 4) as number });
  expect(at(33)).toEqual({ x: expect.closeTo(0.8, 4) as number, y: expect.closeTo(0.25, 4) as number });
});

test("before its start and after its end it stays where it was", () => {
  expect(at(-5)).toEqual(at(0));
  expect(at(900)).toEqual(at(43));
});

test("a bend is where it says, is felt less farther off, and not at all beyond a cut", () => {
  const bends = [{ frame: 20, x: 0.9, y: 0.1 }];
  expect(at(20, bends)).toEqual({ x: 0.9, y: expect.closeTo(0.1, 6) as number });
  const pulled = (frame: number): number => at(frame, bends).x - at(frame).x;
  expect(pulled(20)).toBeGreaterThan(pulled(12));
  expect(pulled(12)).toBeGreaterThan(pulled(4));
  expect(pulled(4)).toBeGreaterThan(0);
  expect(at(33, bends)).toEqual(at(33));
});

test("between two bends it goes from what the one says to what the other says", () => {
  const bends = [
    { frame: 0, x: 0.1, y: 0.5 },
    { frame: 30, x: 0.9, y: 0.5 },
  ];
  const xs = [0, 5, 10, 15, 20, 25, 30].map((frame) => at(frame, bends).x);
  expect(xs[0]).toBeCloseTo(0.1, 6);
  expect(xs.at(-1)).toBeCloseTo(0.9, 6);
  expect(xs).toEqual([...xs].sort((one, other) => one - other));
});

test("without a path, a bend is where the subject is until another says otherwise", () => {
  const bend = { frame: 40, x: 0.7, y: 0.3 };
  expect(subjectAt(null, [], 12, CENTRE)).toEqual(CENTRE);
  for (const frame of [0, 40, 400]) expect(subjectAt(null, [bend], frame, CENTRE)).toEqual({ x: 0.7, y: 0.3 });
});

test("whatever is said, the subject stays inside the picture", () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const bend = fc.record({ frame: fc.nat(60), x: share, y: share });
  const unique = fc.uniqueArray(bend, { selector: ({ frame }) => frame, maxLength: 6 });
  fc.assert(
    fc.property(unique, fc.nat(70), (bends, frame) => {
      const { x, y } = at(frame, bends);
      expect(Math.min(x, y, 1 - x, 1 - y)).toBeGreaterThanOrEqual(0);
    }),
  );
});

test("a bend at a frame takes the place of the one before, in the order of the frames", () => {
  const one = { frame: 20, x: 0.5, y: 0.5 };
  const bends = withBend(withBend([one], { frame: 4, x: 0.1, y: 0.1 }), { frame: 20, x: 0.9, y: 0.9 });
  expect(bends).toEqual([
    { frame: 4, x: 0.1, y: 0.1 },
    { frame: 20, x: 0.9, y: 0.9 },
  ]);
});
