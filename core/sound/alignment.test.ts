import { envelopeOf, stepsLate } from "./alignment";

const knocks = (late: number): Float64Array =>
  Float64Array.from({ length: 400 }, (_, at) => ([40, 47, 130, 260, 300].includes(at - late) ? 1 : 0.1));

test("an envelope is how loud each stretch is", () => {
  const samples = Float32Array.from([1, -1, 0.5, -0.5, 0, 0, 0.25]);
  expect([...envelopeOf(samples, 2)]).toEqual([1, 0.5, 0]);
  // Stretches of one and a half samples: one, then two.
  expect(envelopeOf(samples, 1.5)).toHaveLength(4);
});

test.each([0, 7, -12])("what comes %d steps later is found to", (late) => {
  expect(stepsLate(knocks(late), knocks(0), 20)).toBe(late);
});

test("it is not looked for further than it may be, and where nothing changes nothing is late", () => {
  expect(Math.abs(stepsLate(knocks(60), knocks(0), 20))).toBeLessThanOrEqual(20);
  const even = new Float64Array(100).fill(0.3);
  expect(Math.abs(stepsLate(even, even, 0))).toBe(0);
});
