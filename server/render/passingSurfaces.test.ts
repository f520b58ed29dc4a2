import { type Size } from "../../core/geometry/rect";
import { type Surface } from "../../paint/resources";
import { passingSurfaces } from "./passingSurfaces";
import { type Pixels } from "./planar/framePieces";

const filled =
  (color: string, { width, height }: Size) =>
  ({ context }: Surface): void => {
    context.fillStyle = color;
    context.fillRect(0, 0, width, height);
  };

const pixelAt = ({ bytes, width }: Pixels, x: number, y: number): number[] =>
  Array.from(bytes.subarray((y * width + x) * 4, (y * width + x + 1) * 4));

const RED = [255, 0, 0, 255];
const NOTHING = [0, 0, 0, 0];

test("what was read stays, whatever is painted afterwards; nothing of it is left for the next", () => {
  const surfaces = passingSurfaces(1e6);
  const size = { width: 100, height: 30 };
  const red = surfaces.painted(size, filled("#ff0000", size));
  const half = surfaces.painted(size, filled("#0000ff", { width: 50, height: 30 }));
  expect([pixelAt(red, 99, 29), pixelAt(half, 49, 29), pixelAt(half, 50, 29)]).toEqual([
    RED,
    [0, 0, 255, 255],
    NOTHING,
  ]);
});

test("a surface is as large as asked for, and serves what is a little smaller or larger", () => {
  const surfaces = passingSurfaces(1e6);
  const used = new Set<Surface>();
  const sizes = [130, 150, 192, 140].map((width) => ({ width, height: 3 }));
  for (const size of sizes) {
    const pixels = surfaces.painted(size, (surface) => {
      used.add(surface);
      filled("#ff0000", size)(surface);
    });
    expect(pixels.width).toBeGreaterThanOrEqual(size.width);
    expect(pixelAt(pixels, size.width - 1, 2)).toEqual(RED);
  }
  expect(used.size).toBe(1);
});

test("no more surfaces are kept than were allowed, and one", () => {
  const surfaces = passingSurfaces(2 * 64 * 64);
  const used: Surface[] = [];
  const paint = (width: number): void => void surfaces.painted({ width, height: 64 }, (surface) => used.push(surface));
  [64, 128, 192, 64].forEach(paint);
  // The third took the place of the first two: the fourth is another than the first.
  expect(used[3]).not.toBe(used[0]);
  expect(new Set(used).size).toBe(4);
});
