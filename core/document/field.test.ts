import { Ajv2020 } from "ajv/dist/2020";
import fc from "fast-check";
import { type Field, choice, fieldJsonSchema, fieldSchema, flag, within } from "./field";

const anyField: fc.Arbitrary<Field> = fc.oneof(
  fc
    .uniqueArray(fc.stringMatching(/^[a-z]{1,8}$/), { minLength: 1, maxLength: 5 })
    .chain((choices) => fc.constantFrom(...choices).map((initial) => choice("Way", choices, initial))),
  fc.boolean().map((initial) => flag("Numbers", initial)),
  fc
    .tuple(fc.integer({ min: -1000, max: 1000 }), fc.integer({ min: 0, max: 1000 }))
    .map(([least, range]) => within("Gap", { least, most: least + range, step: 1 }, least)),
);
const anyJson = fc.oneof(
  fc.stringMatching(/^[a-z]{0,8}$/),
  fc.boolean(),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.integer({ min: -2500, max: 2500 }),
  fc.constant(null),
  fc.array(fc.boolean()),
  fc.dictionary(fc.string(), fc.boolean()),
);
const accepts = (field: Field, value: unknown): boolean => fieldSchema(field).isValidSync(value, { strict: true });
const ajv = new Ajv2020();
const isPublished = (field: Field, value: unknown): boolean => ajv.validate(fieldJsonSchema(field), value);

test("the schema that guards our doors and the published one accept the same values, by ajv", () => {
  fc.assert(
    fc.property(anyField, anyJson, (field, value) => {
      expect(accepts(field, value)).toBe(isPublished(field, value));
    }),
    { numRuns: 400 },
  );
});

test("what a field starts with is a value that it accepts", () => {
  fc.assert(fc.property(anyField, (field) => expect(accepts(field, field.initial)).toBe(true)));
});

test("bounds belong to the range, and what lies beyond them is told by its bound", () => {
  const gap = within("Gap in units", { least: 0, most: 60, step: 1 }, 12);
  expect([0, 60].map((value) => accepts(gap, value))).toEqual([true, true]);
  expect(() => fieldSchema(gap).validateSync(-0.01)).toThrow("At least 0.");
  expect(() => fieldSchema(gap).validateSync(60.01)).toThrow("At most 60.");
});

test("a number is not taken for a word or a flag, nor the other way round", () => {
  expect(accepts(choice("Way", ["1", "2"], "1"), 1)).toBe(false);
  expect(accepts(flag("Numbers", true), 1)).toBe(false);
  expect(accepts(within("Gap", { least: 0, most: 9, step: 1 }, 1), "1")).toBe(false);
});
