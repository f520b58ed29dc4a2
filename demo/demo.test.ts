import { svgProblem } from "../server/media/svgSafety";
import { LOGOS, quillfernLogo } from "./art/logo";
import { seeded } from "../server/shelf/random";
import { FILE_NAMES } from "./makeFile";

test.each(Object.entries(LOGOS))("%s is an SVG that our own door lets in", (_, look) =>
  expect(svgProblem(quillfernLogo(look))).toBeNull(),
);

test("every file has a name of its own", () => expect(new Set(FILE_NAMES).size).toBe(FILE_NAMES.length));

test("the same seed gives the same numbers, another seed others", () => {
  const row = (seed: number): number[] => {
    const random = seeded(seed);
    return Array.from({ length: 5 }, () => random.next());
  };
  expect(row(1)).toEqual(row(1));
  expect(row(2)).not.toEqual(row(1));
});

test("random numbers lie where they are asked to", () => {
  const random = seeded(9);
  const values = Array.from({ length: 1000 }, () => random.between(-2, 3));
  expect(Math.min(...values)).toBeGreaterThanOrEqual(-2);
  expect(Math.max(...values)).toBeLessThan(3);
  expect(Math.abs(values.reduce((sum, value) => sum + value, 0) / 1000 - 0.5)).toBeLessThan(0.2);
});
