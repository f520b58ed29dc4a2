import { createCanvas } from "@napi-rs/canvas";
import { STICKERS, STICKER_TITLES, type Sticker } from "../document/stickers";
import { PLATES } from "../document/plates";
import { rect } from "../geometry/rect";
import { type Outline, STEP, eachStep, outlineBounds } from "../type/outline";
import { plateRound } from "./plates";
import { stickerOutline } from "./stickers";

/** An outline as Skia fills it: which of 100 × 100 pixels are inked. */
function inked(outline: Outline): boolean[] {
  const context = createCanvas(100, 100).getContext("2d");
  context.beginPath();
  eachStep(outline, (step, at) => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = outline.slice(at, at + 6);
    if (step === STEP.move) context.moveTo(a, b);
    if (step === STEP.line) context.lineTo(a, b);
    if (step === STEP.quadratic) context.quadraticCurveTo(a, b, c, d);
    if (step === STEP.cubic) context.bezierCurveTo(a, b, c, d, e, f);
    if (step === STEP.close) context.closePath();
  });
  context.fill();
  const { data } = context.getImageData(0, 0, 100, 100);
  return Array.from({ length: 10_000 }, (_, index) => (data[index * 4 + 3] ?? 0) > 127);
}
const drawn = (sticker: Sticker): boolean[] => inked(stickerOutline(sticker, rect(0, 0, 100, 100)));

test("there are 24 stickers, each of its own shape and name, each large enough to be seen in its place", () => {
  expect(STICKERS).toHaveLength(24);
  expect(new Set(Object.values(STICKER_TITLES)).size).toBe(24);
  const pictures = STICKERS.map(drawn);
  pictures.forEach((one, index) => {
    expect([STICKERS[index], one.filter(Boolean).length > 500]).toEqual([STICKERS[index], true]);
    for (const [at, other] of pictures.entries()) {
      if (at <= index) continue;
      const differ = one.filter((is, pixel) => is !== other[pixel]).length;
      expect([STICKERS[index], STICKERS[at], differ > 800]).toEqual([STICKERS[index], STICKERS[at], true]);
    }
  });
});

test.each(STICKERS)("the sticker “%s” stays within its place, to a unit, and follows it", (sticker) => {
  const bounds = outlineBounds(stickerOutline(sticker, rect(0, 0, 100, 100)));
  if (!bounds) throw new Error("It has points.");
  // Control points may lie a little outside of what they bend.
  expect(Math.min(bounds.x, bounds.y)).toBeGreaterThan(-8);
  expect(Math.max(bounds.x + bounds.width, bounds.y + bounds.height)).toBeLessThan(108);
  expect(Math.max(bounds.width, bounds.height)).toBeGreaterThan(85);
  const placed = outlineBounds(stickerOutline(sticker, rect(30, 50, 200, 400)));
  expect(placed?.x).toBeCloseTo(30 + bounds.x * 2, 6);
  expect(placed?.y).toBeCloseTo(50 + bounds.y * 4, 6);
  expect(placed?.width).toBeCloseTo(bounds.width * 2, 6);
  expect(placed?.height).toBeCloseTo(bounds.height * 4, 6);
});

test("what is left free is free: the middles of a ring and a pin's head, the gap round a flower's middle", () => {
  const at = (sticker: Sticker, x: number, y: number): boolean => drawn(sticker)[y * 100 + x] ?? false;
  expect([at("ring", 50, 50), at("ring", 7, 50)]).toEqual([false, true]);
  expect([at("pin", 50, 35), at("pin", 50, 70)]).toEqual([false, true]);
  expect([at("flower", 41, 50), at("flower", 50, 50), at("flower", 50, 20)]).toEqual([false, true, true]);
});

test.each(PLATES)("a plate “%s” covers all of its words, padding and all", (plate) => {
  const inner = rect(25, 40, 50, 20);
  const { place, outline } = plateRound(plate, inner, 4);
  const pixels = inked(outline);
  // The words themselves stand a padding within it.
  for (let y = 45; y < 55; y++) for (let x = 30; x < 70; x++) expect([x, y, pixels[y * 100 + x]]).toEqual([x, y, true]);
  const bounds = outlineBounds(outline);
  expect(bounds && bounds.x >= place.x - 1e-6 && bounds.y >= place.y - 1e-6).toBe(true);
  expect(bounds && bounds.width <= place.width + 1e-6 && bounds.height <= place.height + 1e-6).toBe(true);
});
