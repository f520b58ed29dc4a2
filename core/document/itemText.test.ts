import { countedText, itemText } from "./itemText";

test("the number stands where it is meant to, or before the words; large ones are grouped by threes", () => {
  expect(countedText("Only # left", 12)).toBe("Only 12 left");
  expect(countedText("pots sold", 500)).toBe("500 pots sold");
  expect(countedText("#", 0)).toBe("0");
  expect([9999, 10_000, 1_234_567].map((count) => countedText("#", count))).toEqual([
    "9999",
    "10\u00a0000",
    "1\u00a0234\u00a0567",
  ]);
});

test("what says nothing has no words", () => {
  expect(itemText({ kind: "line", order: "a1", from: "hook", to: "hook" })).toBeNull();
});
