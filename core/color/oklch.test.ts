import Color from "colorjs.io";
import fc from "fast-check";
import { fromOklch, toOklch } from "./oklch";
import { parseHex, toHex } from "./srgb";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);

test("agrees with colorjs.io on any colour (CSS Color 4)", () => {
  fc.assert(
    fc.property(hex, (color) => {
      const [l, c, h] = new Color(color).to("oklch").coords as [number, number, number | null];
      const own = toOklch(parseHex(color));
      expect(own.l).toBeCloseTo(l, 4);
      expect(own.c).toBeCloseTo(c, 4);
      if (c > 0.01 && h !== null) expect(Math.abs(((own.h - h + 540) % 360) - 180)).toBeLessThan(0.1);
    }),
  );
});

test("there and back gives the same hex", () => {
  fc.assert(fc.property(hex, (color) => expect(toHex(fromOklch(toOklch(parseHex(color))))).toBe(color)));
});

test("a colour that is not one is named in the error", () => {
  expect(() => parseHex("tomato")).toThrow("“tomato”");
});
