import fc from "fast-check";
import { anyArrangement } from "../testing/scenes";
import { ARRANGEMENTS, ARRANGEMENT_NAMES, newArrangement, parametersOf } from "./arrangements";
import { arrangementSchema } from "./arrangementSchema";

const isAccepted = (value: unknown): boolean => arrangementSchema(value).isValidSync(value, { strict: true });

describe.each(ARRANGEMENT_NAMES)("%s", (name) => {
  test("is accepted as it is when first chosen, and with any parameters the workshop offers", () => {
    expect(isAccepted(newArrangement(name))).toBe(true);
    fc.assert(fc.property(anyArrangement(name), (arrangement) => expect(isAccepted(arrangement)).toBe(true)));
  });

  test.each(Object.keys(parametersOf(name)))(
    "is refused without its %s, with one of no sense, or with one too many",
    (key) => {
      const whole: Readonly<Record<string, unknown>> = newArrangement(name);
      const without = Object.fromEntries(Object.entries(whole).filter(([parameter]) => parameter !== key));
      expect(isAccepted(without)).toBe(false);
      expect(isAccepted({ ...whole, [key]: "askew" })).toBe(false);
      expect(isAccepted({ ...whole, tilt: 4 })).toBe(false);
    },
  );

  test("is told in words, and takes no fewer pictures at most than at least", () => {
    const { title, about, pictures } = ARRANGEMENTS[name];
    expect(title).toMatch(/^[A-Z][a-z -]+$/);
    expect(about).toMatch(/\.$/);
    expect(pictures[1]).toBeGreaterThanOrEqual(pictures[0]);
    for (const field of Object.values(parametersOf(name))) expect(field.label).toMatch(/^[A-Z]/);
  });
});

test("an arrangement that there is not is refused with the names of those that there are", () => {
  const problem = (value: unknown): unknown => {
    try {
      return arrangementSchema(value).validateSync(value, { strict: true });
    } catch (error) {
      return error instanceof Error ? error.message : error;
    }
  };
  for (const value of [{ name: "carousel" }, {}, null, "split"])
    expect(problem(value)).toContain("An arrangement is one of: full-picture, split,");
});
