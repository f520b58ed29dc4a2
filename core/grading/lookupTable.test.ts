import fc from "fast-check";
import { type Channels, PARTS, TABLE_SIDE, applyTable, compileTable } from "./lookupTable";

const byte = fc.nat(255);
const anyColor = fc.tuple(byte, byte, byte);
function changed(color: readonly number[], change: (color: Channels) => Channels, alpha = 255): number[] {
  const pixels = Uint8ClampedArray.from([...color, alpha]);
  applyTable(pixels, compileTable("tried", change));
  return [...pixels];
}

test("a table that changes nothing changes no byte by more than its own rounding", () => {
  const table = compileTable("same", (color) => color);
  fc.assert(
    fc.property(anyColor, byte, (color, alpha) => {
      const pixels = Uint8ClampedArray.from([...color, alpha]);
      applyTable(pixels, table);
      color.forEach((value, channel) => expect(Math.abs((pixels[channel] ?? 0) - value)).toBeLessThanOrEqual(1));
      expect(pixels[3]).toBe(alpha);
    }),
    { numRuns: 500 },
  );
});

test("linear changes are met everywhere, since interpolation is linear between grid points", () => {
  const table = compileTable("turned", ([x, y, z]) => [z, x, 1 - y]);
  fc.assert(
    fc.property(anyColor, ([red, green, blue]) => {
      const pixels = Uint8ClampedArray.from([red, green, blue, 255]);
      applyTable(pixels, table);
      const [r = 0, g = 0, b = 0] = pixels;
      expect(Math.abs(r - blue)).toBeLessThanOrEqual(1);
      expect(Math.abs(g - red)).toBeLessThanOrEqual(1);
      expect(Math.abs(b - (255 - green))).toBeLessThanOrEqual(1);
    }),
    { numRuns: 500 },
  );
});

test("black, white and the corners of the cube are grid points: they are met exactly", () => {
  const table = compileTable("inverted", ([x, y, z]) => [1 - x, 1 - y, 1 - z]);
  for (const red of [0, 255])
    for (const green of [0, 255])
      for (const blue of [0, 255]) {
        const pixels = Uint8ClampedArray.from([red, green, blue, 255]);
        applyTable(pixels, table);
        expect([...pixels]).toEqual([255 - red, 255 - green, 255 - blue, 255]);
      }
});

test("half way between two grid points lies their mean", () => {
  // Only the first of the grid's steps along red is lit; a byte of 4 is 4 · 32 / 255 = 0.502 of the way to it.
  const lit = 1 / (TABLE_SIDE - 1);
  const [red = 0] = changed([4, 0, 0], ([x]) => [Math.abs(x - lit) < 1e-9 ? 1 : 0, 0, 0]);
  expect(red).toBe(Math.round(((4 * (TABLE_SIDE - 1)) / 255) * 255));
});

test("what can't be seen is left as it is, and channels beyond the range are clamped", () => {
  expect(changed([9, 9, 9], () => [1, 1, 1], 0)).toEqual([9, 9, 9, 0]);
  expect(changed([9, 9, 9], () => [7, -3, 0.5])).toEqual([255, 0, 128, 255]);
});

/** One step of the grid, in the parts of a byte that tables are kept in. */
const STEP = Math.round((255 * PARTS) / 32);

test("its order is that of cube files: red changes fastest", () => {
  const { values } = compileTable("order", ([x, y, z]) => [x, y, z]);
  expect([...values.slice(0, 6)]).toEqual([0, 0, 0, STEP, 0, 0]);
  expect([...values.slice(TABLE_SIDE * 3, TABLE_SIDE * 3 + 3)]).toEqual([0, STEP, 0]);
  expect(values.length).toBe(33 ** 3 * 3);
});
