import { dayAfter, daysBetween, isDay } from "./days";

test("days are those of the calendar, leap years and all", () => {
  expect(["2026-12-24", "2028-02-29", "2026-02-29", "2026-13-01", "24.12.2026", "2026-1-1", ""].map(isDay)).toEqual([
    true,
    true,
    false,
    false,
    false,
    false,
    false,
  ]);
  expect(isDay(undefined)).toBe(false);
});

test("days between: over the end of a year, a leap day and the change of clocks, forwards and back", () => {
  expect(daysBetween("2026-12-20", "2026-12-24")).toBe(4);
  expect(daysBetween("2026-12-31", "2027-01-01")).toBe(1);
  expect(daysBetween("2028-02-28", "2028-03-01")).toBe(2);
  expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
  expect(daysBetween("2026-12-24", "2026-12-24")).toBe(0);
  expect(daysBetween("2026-12-24", "2026-12-20")).toBe(-4);
});

test("a day after others goes over months, years and leap days", () => {
  expect([dayAfter("2026-12-28", 7), dayAfter("2028-02-28", 1), dayAfter("2026-03-01", -1)]).toEqual([
    "2027-01-04",
    "2028-02-29",
    "2026-02-28",
  ]);
});
