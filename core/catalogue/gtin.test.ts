import fc from "fast-check";
import { gtinCheckDigit, gtinProblem } from "./gtin";

// GS1 General Specifications' worked example.
test("629104150021 gets the check digit 3", () => expect(gtinCheckDigit("629104150021")).toBe(3));

test.each([["6291041500213"], ["96385074"], ["036000291452"], ["POT-24"], ["12345"], [""]])("“%s” is taken", (code) =>
  expect(gtinProblem(code)).toBeNull(),
);
test("a wrong check digit is named with the right one", () =>
  expect(gtinProblem("6291041500214")).toContain("should end in 3"));

test("any single wrong digit is caught", () => {
  fc.assert(
    fc.property(fc.stringMatching(/^\d{12}$/), fc.nat(12), fc.integer({ min: 1, max: 9 }), (digits, at, by) => {
      const whole = digits + String(gtinCheckDigit(digits));
      const wrong = whole.slice(0, at) + String((Number(whole[at]) + by) % 10) + whole.slice(at + 1);
      expect(gtinProblem(whole)).toBeNull();
      expect(gtinProblem(wrong)).not.toBeNull();
    }),
  );
});
