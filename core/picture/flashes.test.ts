import { type Flashing, watchFlashes } from "./flashes";

/** Outside source: WCAG 2.2, success criterion 2.3.1 and its definitions of general flash and red flash. */

const SIZE = { width: 36, height: 24 };
const FPS = 30;
type Rgb = readonly [number, number, number];
const BLACK: Rgb = [0, 0, 0];
const WHITE: Rgb = [255, 255, 255];

/** What is seen of a part of the frame that changes between two colours, over two seconds. */
function seen(one: Rgb, other: Rgb, { flashes, part = 1 }: { readonly flashes: number; readonly part?: number }) {
  const watch = watchFlashes(SIZE);
  for (let frame = 0; frame < 2 * FPS; frame++) {
    const isOther = Math.floor((frame / FPS) * flashes * 2) % 2 === 1;
    const rgba = new Uint8ClampedArray(SIZE.width * SIZE.height * 4);
    for (let y = 0; y < SIZE.height; y++)
      for (let x = 0; x < SIZE.width; x++) {
        const isIn = x < SIZE.width * Math.sqrt(part) && y < SIZE.height * Math.sqrt(part);
        rgba.set([...(isIn && isOther ? other : one), 255], (y * SIZE.width + x) * 4);
      }
    watch.add(rgba, frame / FPS);
  }
  return watch.worst();
}
const kindOf = (flashing: Flashing | null): string | undefined => flashing?.kind;

test("three flashes in a second are allowed, more are not", () => {
  expect(seen(BLACK, WHITE, { flashes: 3 })).toBeNull();
  expect(seen(BLACK, WHITE, { flashes: 4 })).toMatchObject({ kind: "general", perSecond: 4 });
  // As fast as frames come.
  expect(seen(BLACK, WHITE, { flashes: 15 })).toMatchObject({ kind: "general", perSecond: 15 });
});

test("a change of luminance counts from a tenth on, where the darker is below 0.8", () => {
  // Relative luminances of grey: 40 → 0.021 and 97 → 0.119, just under a tenth apart; 102 → 0.133; 226 → 0.761; 235 → 0.831.
  expect(seen([40, 40, 40], [97, 97, 97], { flashes: 6 })).toBeNull();
  expect(kindOf(seen([40, 40, 40], [102, 102, 102], { flashes: 6 }))).toBe("general");
  expect(seen([235, 235, 235], WHITE, { flashes: 6 })).toBeNull();
  expect(kindOf(seen([226, 226, 226], WHITE, { flashes: 6 }))).toBe("general");
});

test("changes to and from a saturated red count where luminance hardly changes; between other colours they don't", () => {
  // Red has a luminance of 0.2126; the grey's is 0.216, the blue-violet's 0.15.
  expect(kindOf(seen([255, 0, 0], [128, 128, 128], { flashes: 5 }))).toBe("red");
  expect(seen([255, 0, 0], [128, 128, 128], { flashes: 3 })).toBeNull();
  expect(seen([0, 128, 0], [120, 100, 160], { flashes: 5 })).toBeNull();
  // Not saturated: red is less than four fifths of it.
  expect(seen([200, 100, 100], [128, 128, 128], { flashes: 5 })).toBeNull();
});

test("what flashes in a quarter of a field of view at most is allowed: a field is a third of the frame each way", () => {
  const field = 1 / 9;
  expect(seen(BLACK, WHITE, { flashes: 8, part: field * 0.2 })).toBeNull();
  expect(kindOf(seen(BLACK, WHITE, { flashes: 8, part: field * 0.45 }))).toBe("general");
});

test("a slow rise and fall is one flash, however many frames it takes, and small trembling none", () => {
  const watch = watchFlashes({ width: 3, height: 3 });
  for (let frame = 0; frame < 3 * FPS; frame++) {
    const level = Math.round(127 + 120 * Math.sin((frame / FPS) * 2 * Math.PI) + (frame % 2 === 0 ? 4 : -4));
    watch.add(new Uint8ClampedArray(36).fill(level), frame / FPS);
  }
  expect(watch.worst()).toBeNull();
});
