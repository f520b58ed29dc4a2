import fc from "fast-check";
import { CHARACTERS, CLEANINGS, readTreatment, treatmentName } from "./treatment";

test("a treatment is read from its name, whatever is in it and in whatever order it was said", () => {
  fc.assert(
    fc.property(
      fc.shuffledSubarray([...CLEANINGS]),
      fc.option(fc.constantFrom(...CHARACTERS)),
      (cleaned, character) => {
        const name = treatmentName({ cleaned, character });
        if (name === null) expect([cleaned.length, character]).toEqual([0, null]);
        else {
          expect(readTreatment(name)?.character).toBe(character);
          expect([...(readTreatment(name)?.cleaned ?? [])].sort()).toEqual([...cleaned].sort());
        }
      },
    ),
  );
});

test.each(["", "x", "hum-", "hiss-hum", "hum-hum", "deeper-lighter", "hum-../../etc", "deeper-hum"])(
  "“%s” is no treatment",
  (name) => expect(readTreatment(name)).toBeNull(),
);
