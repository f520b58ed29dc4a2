import { wcagLuminance } from "culori";
import fc from "fast-check";
import { GRADE_NAMES, GRADE_VALUES, type Grade, gradeChange } from "./grade";
import { LOOK_NAMES, lookChange } from "./looks";

const share = fc.double({ min: 0, max: 1, noNaN: true });
const grey = (value: number) => [value, value, value] as const;
const one = (value: number, grade: Grade): number => gradeChange(grade)(grey(value))[0];

test("nothing set changes nothing, exactly", () => {
  fc.assert(
    fc.property(share, share, share, (red, green, blue) => {
      expect(gradeChange({})([red, green, blue])).toEqual([red, green, blue]);
      expect(gradeChange({ exposure: 0, hue: 0 })([red, green, blue])).toEqual([red, green, blue]);
    }),
  );
});

/** Relative luminance of a colour, as culori has it. */
const light = ([r = 0, g = 0, b = 0]: readonly number[]): number => wcagLuminance({ mode: "rgb", r, g, b });

test("a stop is twice the light, by culori's reading of it, and a stop back undoes it", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.02, max: 0.7, noNaN: true }), (value) => {
      const brighter = gradeChange({ exposure: 1 })(grey(value));
      expect(light(brighter)).toBeCloseTo(2 * light(grey(value)), 6);
      expect(one(brighter[0], { exposure: -1 })).toBeCloseTo(value, 9);
    }),
  );
});

test("shadows and highlights keep black and white and the order of tones, however far they go", () => {
  const tone = fc.double({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(tone, tone, share, share, (shadows, highlights, a, b) => {
      const toned = (value: number): number => one(value, { shadows, highlights });
      expect(toned(0)).toBe(0);
      expect(toned(1)).toBe(1);
      const [low, high] = a < b ? [a, b] : [b, a];
      expect(toned(high)).toBeGreaterThanOrEqual(toned(low) - 1e-12);
    }),
  );
  expect(one(0.2, { shadows: 1 }) - 0.2).toBeGreaterThan(3 * (one(0.8, { shadows: 1 }) - 0.8));
  expect(one(0.8, { highlights: -1 }) - 0.8).toBeLessThan(3 * (one(0.2, { highlights: -1 }) - 0.2));
});

test("warmth and tint leave a middle grey as light as it was", () => {
  for (const grade of [{ warmth: 1 }, { warmth: -1 }, { tint: 1 }, { tint: -0.7, warmth: 0.4 }] satisfies Grade[]) {
    const changed = gradeChange(grade)(grey(0.5));
    expect(light(changed)).toBeCloseTo(light(grey(0.5)), 3);
    expect(changed).not.toEqual(grey(0.5));
  }
  const [red, , blue] = gradeChange({ warmth: 0.5 })(grey(0.5));
  expect(red).toBeGreaterThan(blue);
});

test("each value changes some colour, in the way its sign says", () => {
  const color = [0.7, 0.4, 0.2] as const;
  for (const name of GRADE_NAMES) {
    const { most } = GRADE_VALUES[name];
    expect(gradeChange({ [name]: most / 2 })(color)).not.toEqual(color);
  }
  expect(gradeChange({ saturation: -1 })(color).every((channel) => Math.abs(channel - 0.4498) < 1e-3)).toBe(true);
  expect(one(0, { fade: 1 })).toBeGreaterThan(0.1);
});

test("no look and no strength of it leaves the colours of a picture far outside what can be shown", () => {
  fc.assert(
    fc.property(fc.constantFrom(...LOOK_NAMES), share, share, share, share, (name, strength, ...color) => {
      for (const channel of lookChange(name, strength)(color)) {
        expect(channel).toBeGreaterThan(-0.5);
        expect(channel).toBeLessThan(1.8);
      }
      expect(lookChange(name, 0)(color)).toEqual(color);
    }),
  );
});

test("no two looks are alike: each is told from every other on some colour", () => {
  const colors = [[0.8, 0.5, 0.3], [0.2, 0.4, 0.3], grey(0.5)] as const;
  const seen = LOOK_NAMES.map((name) => colors.flatMap((color) => lookChange(name, 1)(color)));
  seen.forEach((one, at) =>
    seen.slice(at + 1).forEach((other) => {
      expect(Math.max(...one.map((value, index) => Math.abs(value - (other[index] ?? 0))))).toBeGreaterThan(0.03);
    }),
  );
});
