import { randomFrom } from "../testing/randomFrom";
import { type GreyPicture, SEEN_FROM, sourceQuality } from "./sourceQuality";

const [WIDTH, HEIGHT] = [320, 200];

/** A picture by the brightness of each place. */
const drawn = (at: (x: number, y: number) => number): GreyPicture => ({
  width: WIDTH,
  height: HEIGHT,
  grey: Uint8Array.from({ length: WIDTH * HEIGHT }, (_, pixel) =>
    Math.min(255, Math.max(0, Math.round(at(pixel % WIDTH, Math.floor(pixel / WIDTH))))),
  ),
});

/** Leaves and boards, so to say: edges of many sizes on a ground that changes slowly. */
const scene = (x: number, y: number): number =>
  110 + 40 * Math.sin(x / 90) + (((x >> 4) + (y >> 4)) % 3) * 22 + (Math.hypot(x - 160, y - 90) < 50 ? 45 : 0);

/** What is left after a mean over a square of so many pixels. */
const meanOver =
  (reach: number) =>
  (x: number, y: number): number => {
    let sum = 0;
    for (let down = -reach; down <= reach; down++)
      for (let across = -reach; across <= reach; across++) sum += scene(x + across, y + down);
    return sum / (2 * reach + 1) ** 2;
  };

test("a sharp, quiet, smooth picture has no fault", () => {
  const { blur, noise, bands } = sourceQuality(drawn(scene));
  expect(blur).toBeLessThan(SEEN_FROM.blur);
  expect(noise).toBeLessThan(SEEN_FROM.noise / 2);
  expect(bands).toBeLessThan(SEEN_FROM.bands);
});

test("the more a picture is blurred, the more it is said to be; from a wide blur on it is a fault", () => {
  const blurs = [0, 2, 6].map((reach) => sourceQuality(drawn(reach === 0 ? scene : meanOver(reach))).blur);
  expect(blurs).toEqual([...blurs].sort((one, other) => one - other));
  expect(blurs.at(-1)).toBeGreaterThan(SEEN_FROM.blur);
});

test("noise of a known spread is measured as such, within a fifth", () => {
  for (const spread of [6, 12]) {
    const next = randomFrom(4241);
    // The sum of twelve even numbers less six is as good as normal, of spread 1.
    const normal = (): number => Array.from({ length: 12 }, next).reduce((sum, one) => sum + one, -6);
    const { noise } = sourceQuality(
      drawn((x, y) => 120 + 20 * Math.sin(x / 60) + 12 * Math.cos(y / 70) + spread * normal()),
    );
    expect(Math.abs(noise - spread) / spread).toBeLessThan(0.2);
    expect(noise).toBeGreaterThan(SEEN_FROM.noise);
  }
});

test("a smooth change that was cut into steps shows bands; the change itself, and flat colours, show none", () => {
  const smooth = (x: number): number => 60 + x / 2.5;
  expect(sourceQuality(drawn(smooth)).bands).toBe(0);
  expect(sourceQuality(drawn((x) => Math.floor(smooth(x) / 8) * 8)).bands).toBeGreaterThan(SEEN_FROM.bands);
  // A drawing in flat colours is meant to be so.
  expect(sourceQuality(drawn((x) => (x >> 6) * 50)).bands).toBe(0);
});

test("what is too small to be judged has no fault", () => {
  expect(sourceQuality({ width: 16, height: 16, grey: new Uint8Array(256) })).toEqual({ blur: 0, noise: 0, bands: 0 });
});
