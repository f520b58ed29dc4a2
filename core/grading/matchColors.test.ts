import { measureTones } from "../picture/tones";
import { randomFrom } from "../testing/randomFrom";
import { type Grade, gradeChange } from "./grade";
import { type Channels } from "./lookupTable";
import { coloursOf, matchedGrade } from "./matchColors";

const SIZE = { width: 200, height: 200 };
/** A picture of soft patches in muted colours, under a grade. */
function patches(seed: number, grade: Grade = {}): Uint8ClampedArray {
  const change = gradeChange(grade);
  const random = randomFrom(seed);
  const pixels = new Uint8ClampedArray(SIZE.width * SIZE.height * 4);
  const cells = Array.from({ length: 100 }, (): Channels => [
    0.3 + 0.4 * random(),
    0.3 + 0.4 * random(),
    0.3 + 0.4 * random(),
  ]);
  for (let y = 0; y < SIZE.height; y++)
    for (let x = 0; x < SIZE.width; x++) {
      const color = change(cells[Math.floor(y / 20) * 10 + Math.floor(x / 20)] ?? [0, 0, 0]);
      pixels.set([...color.map((channel) => channel * 255), 255], (y * SIZE.width + x) * 4);
    }
  return pixels;
}
const colors = (pixels: Uint8ClampedArray) => coloursOf([measureTones(pixels, SIZE)]);
const meanOf = (all: readonly Channels[], at: 0 | 1 | 2): number =>
  all.reduce((sum, one) => sum + one[at], 0) / all.length;

test("a picture is matched to itself by changing nothing", () => {
  expect(matchedGrade(colors(patches(1)), colors(patches(1)))).toEqual({});
});

test("another picture in another light is met in light and lean, and the values say how", () => {
  const from = colors(patches(1));
  const to = colors(patches(2, { exposure: 0.5, warmth: 0.5, saturation: -0.3 }));
  const grade = matchedGrade(from, to);
  expect(grade.exposure).toBeGreaterThan(0.25);
  expect(grade.warmth).toBeGreaterThan(0.25);
  expect(grade.saturation).toBeLessThan(-0.1);
  const matched = from.map(gradeChange(grade));
  for (const channel of [0, 1, 2] as const) {
    const apart = Math.abs(meanOf(matched, channel) - meanOf(to, channel));
    expect(apart).toBeLessThan(0.02);
    expect(apart).toBeLessThanOrEqual(Math.abs(meanOf(from, channel) - meanOf(to, channel)));
  }
});
