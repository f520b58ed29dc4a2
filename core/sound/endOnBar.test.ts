import { takenToEndOnBar } from "./endOnBar";

/** Two beats a second, the first after 100 ms: bars begin at 100, 2100, 4100 … up to 18 100. */
const times = Array.from({ length: 40 }, (_, beat) => 100 + beat * 500);

test("a stretch of a tune is taken a little later, so that it ends with a bar", () => {
  expect(takenToEndOnBar({ times }, { from: 0, lasts: 5000, length: 20_000 })).toBe(1100);
  expect(takenToEndOnBar({ times }, { from: 1100, lasts: 5000, length: 20_000 })).toBe(1100);
  expect(takenToEndOnBar({ times }, { from: 1101, lasts: 5000, length: 20_000 })).toBe(3100);
});

test("where no later one is left it is taken earlier, and where none is there it is said", () => {
  expect(takenToEndOnBar({ times }, { from: 15_000, lasts: 5000, length: 20_000 })).toBe(13_100);
  expect(takenToEndOnBar({ times }, { from: 0, lasts: 19_000, length: 20_000 })).toBeNull();
  expect(takenToEndOnBar({ times: [] }, { from: 0, lasts: 1000, length: 20_000 })).toBeNull();
  // What comes after the end of the tune is no bar of it.
  expect(takenToEndOnBar({ times }, { from: 9000, lasts: 5000, length: 14_000 })).toBe(7100);
});
