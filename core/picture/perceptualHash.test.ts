import { ALIKE_WITHIN, HASH_SIDE, hashDistance, perceptualHash } from "./perceptualHash";

const picture = (paint: (x: number, y: number) => number): Uint8Array =>
  Uint8Array.from({ length: HASH_SIDE ** 2 }, (_, at) =>
    Math.max(0, Math.min(255, paint(at % HASH_SIDE, Math.floor(at / HASH_SIDE)))),
  );
const hill = (x: number, y: number): number =>
  40 + 180 * Math.exp(-((x - 10) ** 2 + (y - 20) ** 2) / 80) + 30 * Math.sin(x / 4);

test("brighter, flatter or noisier is still alike", () => {
  const plain = perceptualHash(picture(hill));
  expect(hashDistance(plain, perceptualHash(picture((x, y) => hill(x, y) + 25)))).toBeLessThanOrEqual(ALIKE_WITHIN);
  expect(hashDistance(plain, perceptualHash(picture((x, y) => 128 + (hill(x, y) - 128) * 0.7)))).toBeLessThanOrEqual(
    ALIKE_WITHIN,
  );
  expect(
    hashDistance(plain, perceptualHash(picture((x, y) => hill(x, y) + ((x * 7 + y * 13) % 5) - 2))),
  ).toBeLessThanOrEqual(ALIKE_WITHIN);
});
test("turned over or another picture is not", () => {
  const plain = perceptualHash(picture(hill));
  expect(hashDistance(plain, perceptualHash(picture((x, y) => hill(HASH_SIDE - 1 - x, y))))).toBeGreaterThan(
    ALIKE_WITHIN,
  );
  expect(
    hashDistance(plain, perceptualHash(picture((x, y) => (((x >> 2) + (y >> 3)) % 2 === 0 ? 220 : 30)))),
  ).toBeGreaterThan(ALIKE_WITHIN);
});
test("distance counts bits, over signed numbers too", () => {
  expect(hashDistance(0b1011n, 0b0010n)).toBe(2);
  expect(hashDistance(-1n, 0n)).toBe(64);
});
test("another size is refused", () => expect(() => perceptualHash(new Uint8Array(10))).toThrow(/32 × 32/));
