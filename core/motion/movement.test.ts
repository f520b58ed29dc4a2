import fc from "fast-check";
import { PIECES, pieceDelays } from "./movement";
import { MOVEMENT_STYLES } from "./styles";
import { EXITS, MOTIONS, motionAt } from "./wordMotion";

const time = fc.double({ min: 0, max: 5000, noNaN: true });

test("with no strength at all nothing travels, turns or grows, however it comes and goes: it only fades", () => {
  fc.assert(
    fc.property(fc.constantFrom(...MOTIONS), fc.constantFrom(...EXITS), time, (kind, exit, at) => {
      const { dx, dy, scale, angle } = motionAt(kind, at, { from: 400, until: 4000, exit, strength: 0 });
      expect([Math.abs(dx), Math.abs(dy), scale, Math.abs(angle)]).toEqual([0, 0, 1, 0]);
    }),
  );
});

test("twice as strong is twice as far, and ends where it did", () => {
  const at = (strength: number) => motionAt("rise", 500, { from: 400, until: Infinity, strength });
  expect(at(2).dy).toBeCloseTo(2 * at(1).dy, 9);
  expect(at(1).dy).toBeGreaterThan(0);
  expect(motionAt("rise", 1000, { from: 400, until: Infinity, strength: 2 }).dy).toBe(0);
});

test("pieces come one after the other, the first at once, the last before long, however many there are", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...PIECES.filter((one) => one !== "as one")),
      fc.integer({ min: 1, max: 300 }),
      (by, count) => {
        const delays = pieceDelays(by, count);
        expect(delays).toHaveLength(count);
        expect(delays[0]).toBe(0);
        delays.slice(1).forEach((delay, at) => expect(delay).toBeGreaterThanOrEqual(delays[at] ?? 0));
        expect(delays.at(-1)).toBeLessThanOrEqual(1100);
      },
    ),
  );
  const [letters, words] = [pieceDelays("letter by letter", 5), pieceDelays("word by word", 5)];
  expect(letters.at(-1)).toBeLessThan(words.at(-1) ?? 0);
});

test("the calm style holds still: no zoom, no travel, no edge that crosses the frame", () => {
  expect(MOVEMENT_STYLES.calm).toMatchObject({ zoom: false, strength: 0, transition: "crossfade", motion: "fade" });
});
