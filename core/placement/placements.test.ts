import { contains, overlaps, rect } from "../geometry/rect";
import { formatOf, isFormatName } from "./formats";
import { PLACEMENTS, furnitureOf, placementById } from "./placements";

test("twelve placements ship, each under an id and a title of its own, in a format that there is", () => {
  expect(PLACEMENTS).toHaveLength(12);
  expect(new Set(PLACEMENTS.map(({ id }) => id)).size).toBe(12);
  expect(new Set(PLACEMENTS.map(({ title }) => title)).size).toBe(12);
  for (const { format } of PLACEMENTS) expect(isFormatName(format)).toBe(true);
});

test.each(PLACEMENTS.map((placement) => [placement.title, placement] as const))(
  "what %s draws lies in its frame, apart from each other, and leaves most of it free",
  (_, placement) => {
    const { width, height } = formatOf(placement.format);
    const pieces = furnitureOf(placement);
    for (const { place } of pieces) expect(contains(rect(0, 0, width, height), place, 1e-6)).toBe(true);
    for (const [at, { place }] of pieces.entries())
      for (const other of pieces.slice(at + 1)) expect(overlaps(place, other.place)).toBe(false);
    const covered = pieces.reduce((sum, { place }) => sum + place.width * place.height, 0);
    expect(covered / (width * height)).toBeLessThan(0.4);
  },
);

test("a placement is found by its id, and one that does not ship is none", () => {
  expect(placementById("in-stream")).toMatchObject({ title: "In a stream", longest: 30 });
  expect(placementById("somewhere-else")).toBeNull();
});
