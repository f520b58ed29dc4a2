import { isDay } from "../../core/offer/days";
import { dayAndTime, optionalDay, words } from "./fields";

test.each([
  ["2024-02-29", true],
  ["2023-02-29", false],
  ["2024-99-99", false],
  ["2024-1-1", false],
  ["", false],
  ["20240-01-01", false],
])("%s is a day: %j", (text, is) => expect(isDay(text)).toBe(is));

test.each([
  ["2030-05-01T09:00", true],
  ["2030-05-01T24:00", false],
  ["2030-05-01T99:99", false],
  ["2030-05-32T09:00", false],
  ["2030-05-01", false],
  ["", false],
])("%s is a time of a day: %j", (text, is) => expect(dayAndTime().isValidSync(text)).toBe(is));

test("a day may be left out", () => {
  expect(optionalDay().isValidSync("")).toBe(true);
  expect(optionalDay().isValidSync("2024-99-99")).toBe(false);
});

test("words are counted in characters, not in halves of them", () => {
  expect(words(3).isValidSync("🪴🪴🪴")).toBe(true);
  expect(() => words(3).validateSync("abcd")).toThrow("At most 3 characters.");
});
