import { keyIn, keysOf, recordBy } from "./records";

const SIZES = { small: 1, large: 3 };

test("a record gives its keys in order, and the one that a text names, if it is its own", () => {
  expect(keysOf(SIZES)).toEqual(["small", "large"]);
  expect([keyIn(SIZES, "large"), keyIn(SIZES, "huge"), keyIn(SIZES, null), keyIn(SIZES, "toString")]).toEqual([
    "large",
    null,
    null,
    null,
  ]);
});

test("a record is made with a value for each key", () => {
  expect(recordBy(["left", "right"], (side) => side.length)).toEqual({ left: 4, right: 5 });
});
