import fc from "fast-check";
import { WHILES, whileShown } from "./whileShown";

const moment = fc.double({ min: 0, max: 120_000, noNaN: true });

test("what moves begins where it rests, stays near it, and never jumps from one frame to the next", () => {
  fc.assert(
    fc.property(fc.constantFrom(...WHILES), moment, (kind, time) => {
      const [now, next] = [whileShown(kind, time), whileShown(kind, time + 1000 / 30)];
      // Half the frame's short side is 540 units: a turn of 2 degrees moves its corner by less than 20.
      const turned = Math.abs(next.angle - now.angle);
      expect(Math.min(turned, 360 - turned)).toBeLessThan(2);
      expect(Math.abs(next.scale - now.scale)).toBeLessThan(0.02);
      expect(Math.abs(next.dy - now.dy)).toBeLessThan(3);
      expect(now.scale).toBeGreaterThan(0.9);
      expect(Math.abs(now.dy)).toBeLessThanOrEqual(12);
    }),
  );
  for (const kind of WHILES) expect(whileShown(kind, 0)).toEqual({ angle: 0, scale: 1, dx: 0, dy: 0 });
});

test("each way moves one thing: swaying and spinning turn, a pulse changes the size, bobbing lifts", () => {
  const quarter = { sway: 450, pulse: 350, bob: 400, spin: 2000 } as const;
  expect(whileShown("sway", quarter.sway)).toEqual({ angle: 7, scale: 1, dx: 0, dy: 0 });
  expect(whileShown("pulse", quarter.pulse)).toEqual({ angle: 0, scale: 1.07, dx: 0, dy: 0 });
  expect(whileShown("bob", quarter.bob)).toEqual({ angle: 0, scale: 1, dx: 0, dy: 12 });
  expect(whileShown("drift", 1250)).toEqual({ angle: 0, scale: 1, dx: 18, dy: 0 });
  expect(whileShown("breathe", 900)).toEqual({ angle: 0, scale: 1.03, dx: 0, dy: 0 });
  expect(whileShown("wobble", 225)).toEqual({ angle: 3, scale: 1, dx: 0, dy: 0 });
  expect(whileShown("float", 1050)).toEqual({ angle: 2.5, scale: 1, dx: 0, dy: 12 });
  expect(whileShown("spin", quarter.spin)).toEqual({ angle: 90, scale: 1, dx: 0, dy: 0 });
  expect(whileShown("still", 777)).toEqual({ angle: 0, scale: 1, dx: 0, dy: 0 });
});
