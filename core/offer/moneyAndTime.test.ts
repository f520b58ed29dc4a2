import fc from "fast-check";
import { minorDigits, money, parsePrice, plainAmount, writePrice } from "./money";
import { daysLeft, daysLeftInWords, instantOf, lastDay, offerState, wallTime } from "./validity";

const price = fc.integer({ min: 1, max: 10_000_000 });

describe("money", () => {
  test.each([
    ["GBP", 2],
    ["JPY", 0],
    ["BHD", 3],
  ])("%s has %d decimal places (ISO 4217)", (currency, digits) => expect(minorDigits(currency)).toBe(digits));

  test.each([
    ["24", "GBP", 2400],
    ["24.00", "GBP", 2400],
    ["£24.5", "GBP", 2450],
    ["24,50", "EUR", 2450],
    ["1,250", "GBP", 125000],
    ["1,250.50", "GBP", 125050],
    ["1.234", "BHD", 1234],
    ["300", "JPY", 300],
    [" 0 ", "GBP", 0],
  ])("“%s” in %s is %d", (typed, currency, amount) => expect(parsePrice(typed, currency).amount).toBe(amount));

  test.each([
    ["", "GBP"],
    ["cheap", "GBP"],
    ["-3", "GBP"],
    ["24.005", "GBP"],
    ["3.5", "JPY"],
    ["1.2.3", "GBP"],
    ["9".repeat(30), "GBP"],
  ])("“%s” in %s is refused with words", (typed, currency) =>
    expect(() => parsePrice(typed, currency)).toThrow(/not a price|decimal places/),
  );

  test("typed and written amounts round-trip in every kind of currency", () => {
    fc.assert(
      fc.property(price, fc.constantFrom("GBP", "JPY", "BHD"), (amount, currency) =>
        expect(parsePrice(plainAmount(money(amount, currency)), currency).amount).toBe(amount),
      ),
    );
  });

  test("a fraction of a minor unit is not money", () => expect(() => money(1.5, "GBP")).toThrow(RangeError));

  test("whole prices may be written short, others never", () => {
    expect(writePrice(money(2400, "GBP"), "en-GB", "short")).toBe("£24");
    expect(writePrice(money(2450, "GBP"), "en-GB", "short")).toBe("£24.50");
  });
});

describe("validity", () => {
  test("a window ends at its end, and begins at its start", () => {
    const window = {
      startsAt: new Date("2030-05-01T00:00Z"),
      endsAt: new Date("2030-05-08T00:00Z"),
      zone: "Europe/London",
    };
    expect(offerState(window, new Date("2030-04-30T23:59:59Z"))).toBe("coming");
    expect(offerState(window, window.startsAt)).toBe("running");
    expect(offerState(window, window.endsAt)).toBe("ended");
  });

  test.each([
    // IANA: London's clocks go forward on 31 March 2030 at 01:00 UTC and back on 27 October at 01:00 UTC.
    ["2030-03-31T00:30", "Europe/London", "2030-03-31T00:30:00.000Z"],
    ["2030-03-31T09:00", "Europe/London", "2030-03-31T08:00:00.000Z"],
    ["2030-10-28T00:00", "Europe/London", "2030-10-28T00:00:00.000Z"],
    ["2030-07-01T00:00", "Asia/Kolkata", "2030-06-30T18:30:00.000Z"],
  ])("%s in %s is %s", (local, zone, instant) => {
    expect(instantOf(local, zone).toISOString()).toBe(instant);
    expect(wallTime(instantOf(local, zone), zone)).toBe(local);
  });

  test("days are counted in the offer's own zone, today and the last one among them", () => {
    // Until Sunday's end in Auckland, which is Sunday noon in London.
    const zone = "Pacific/Auckland";
    const offer = { startsAt: instantOf("2030-05-01T00:00", zone), endsAt: instantOf("2030-05-06T00:00", zone), zone };
    const left = (local: string): number => daysLeft(offer, instantOf(local, zone));
    expect([left("2030-05-03T23:59"), left("2030-05-04T00:00"), left("2030-05-05T23:59")]).toEqual([3, 2, 1]);
    expect(left("2030-05-06T00:00")).toBe(0);
    // Clocks go back in this week: a day of 25 hours is one day.
    const autumn = {
      startsAt: new Date(0),
      endsAt: instantOf("2030-10-28T00:00", "Europe/London"),
      zone: "Europe/London",
    };
    expect(daysLeft(autumn, instantOf("2030-10-26T12:00", "Europe/London"))).toBe(2);
    expect(daysLeftInWords(autumn, instantOf("2030-10-26T12:00", "Europe/London"), "en-GB")).toBe("2 days");
    expect(daysLeftInWords(autumn, instantOf("2030-10-27T12:00", "Europe/London"), "de-DE")).toBe("1 Tag");
    expect(daysLeftInWords(autumn, autumn.endsAt, "en-GB")).toBe("");
  });
  test("an offer that ends at midnight ends on the day before", () => {
    const window = {
      startsAt: new Date("2030-03-25T00:00Z"),
      endsAt: instantOf("2030-04-01T00:00", "Europe/London"),
      zone: "Europe/London",
    };
    expect(lastDay(window, "en-GB")).toBe("Sunday 31 March");
  });

  test("a time that is none is named", () =>
    expect(() => instantOf("tomorrow", "Europe/London")).toThrow("“tomorrow”"));
});
