import Decimal from "decimal.js";
import fc from "fast-check";
import { basketFigures, bundleFigures, offerFigures } from "./figures";
import { money } from "./money";
import { PRICE_ENDINGS, withEnding } from "./priceEnding";
import { type OfferTerms } from "./terms";

const gbp = (amount: number) => money(amount, "GBP");
const percentOff = (percent: number, ending: (typeof PRICE_ENDINGS)[number] = "exact"): OfferTerms => ({
  kind: "percent-off",
  percent,
  ending,
});
const anyPrice = fc.integer({ min: 1, max: 10_000_000 });
const anyPercent = fc.integer({ min: 1, max: 10_000 }).map((hundredths) => hundredths / 100);

const numbers = (was: number, terms: OfferTerms): readonly number[] | null => {
  const figures = offerFigures(gbp(was), terms);
  return (
    figures && [
      figures.pieces,
      figures.was.amount,
      figures.now.amount,
      figures.saving.amount,
      figures.percent,
      figures.each.amount,
    ]
  );
};

// Worked by hand. Columns: price, terms → pieces, was, now, saving, percent shown, one piece.
describe("percent off", () => {
  test.each([
    ["whole result", 2400, 15, 1, 2400, 2040, 360, 15, 2040],
    ["rounds the price down", 99, 15, 1, 99, 84, 15, 15, 84],
    ["another remainder", 97, 15, 1, 97, 82, 15, 15, 82],
    ["a third, with decimals", 450, 33.33, 1, 450, 300, 150, 33, 300],
    ["half a percent shows no percent", 1000, 0.5, 1, 1000, 995, 5, 0, 995],
    ["half a percent of a penny still gives a penny", 1, 0.5, 1, 1, 0, 1, 0, 0],
    ["everything", 1000, 100, 1, 1000, 0, 1000, 100, 0],
    ["of nothing", 0, 20, 1, 0, 0, 0, 0, 0],
  ])("%s: %d less %d %%", (_, was, off, ...wanted) => expect(numbers(was, percentOff(off))).toEqual(wanted));

  test("nothing is overstated, and the promised share is always given (decimal.js)", () => {
    fc.assert(
      fc.property(anyPrice, anyPercent, fc.constantFrom(...PRICE_ENDINGS), (was, off, ending) => {
        const figures = offerFigures(gbp(was), percentOff(off, ending));
        if (!figures) throw new Error("a percentage off has figures");
        const { now, saving, percent } = figures;
        expect(now.amount + saving.amount).toBe(was);
        expect(new Decimal(saving.amount).gte(new Decimal(was).times(off).div(100))).toBe(true);
        expect(new Decimal(saving.amount).times(100).div(was).gte(percent)).toBe(true);
      }),
    );
  });
  test.each([0, -5, 100.01])("%d %% is refused", (percent) =>
    expect(() => offerFigures(gbp(2400), percentOff(percent))).toThrow(RangeError),
  );
});

describe("price endings", () => {
  test.each([
    [".99", 2040, 1999],
    [".99", 1999, 1999],
    [".95", 2040, 1995],
    [".90", 2090, 2090],
    [".50", 2040, 1950],
    [".00", 2040, 2000],
    ["exact", 2040, 2040],
    [".99", 98, 98],
    [".00", 40, 40],
    [".00", 0, 0],
  ] as const)("%s brings %d to %d", (ending, from, to) => expect(withEnding(gbp(from), ending).amount).toBe(to));
  test.each([
    [".90", "nearest", 2040, 1990],
    [".90", "nearest", 2041, 2090],
    [".90", "nearest", 2090, 2090],
    [".90", "up", 1991, 2090],
    [".90", "up", 1990, 1990],
    [".99", "up", 40, 99],
    [".99", "nearest", 40, 40],
    [".99", "down", 40, 40],
    [".00", "nearest", 40, 40],
    [".00", "up", 40, 100],
    ["exact", "up", 2041, 2041],
  ] as const)("%s %s brings %d to %d", (ending, way, from, to) =>
    expect(withEnding(gbp(from), ending, way).amount).toBe(to),
  );
  test("an ending that would give nothing off is refused in words; what is shown is what is really saved", () => {
    const off = { kind: "money-off", amount: gbp(50), ending: ".99" } as const;
    expect(() => offerFigures(gbp(2390), { ...off, endingWay: "up" })).toThrow(/no lower than before/);
    expect(numbers(2420, { ...off, endingWay: "nearest" })).toEqual([1, 2420, 2399, 21, 0, 2399]);
    // 15 % off 24.00 is 20.40; up to 20.99 it is 3.01, 12 % of it.
    const percent = { kind: "percent-off", percent: 15, ending: ".99", endingWay: "up" } as const;
    expect(numbers(2400, percent)).toEqual([1, 2400, 2099, 301, 12, 2099]);
  });
  test("a currency without fractions has no endings (ISO 4217: JPY)", () =>
    expect(withEnding(money(1234, "JPY"), ".99").amount).toBe(1234));
  test("a thousandth currency ends in thousandths (ISO 4217: BHD)", () =>
    expect(withEnding(money(5432, "BHD"), ".95").amount).toBe(4950));
});

describe("money off and new price", () => {
  test.each([
    ["£5 off £24", 2400, { kind: "money-off", amount: gbp(500), ending: "exact" }, [1, 2400, 1900, 500, 20, 1900]],
    ["£5 off £24 at .99", 2400, { kind: "money-off", amount: gbp(500), ending: ".99" }, [1, 2400, 1899, 501, 20, 1899]],
    ["all of it off", 500, { kind: "money-off", amount: gbp(500), ending: "exact" }, [1, 500, 0, 500, 100, 0]],
    ["£9.50 instead of £12.50", 1250, { kind: "new-price", price: gbp(950) }, [1, 1250, 950, 300, 24, 950]],
    ["nothing instead of £1", 100, { kind: "new-price", price: gbp(0) }, [1, 100, 0, 100, 100, 0]],
  ] as const)("%s", (_, was, terms, wanted) => expect(numbers(was, terms)).toEqual(wanted));

  test.each([
    [
      "more off than it costs",
      { kind: "money-off", amount: gbp(2401), ending: "exact" },
      /more than the product costs/,
    ],
    ["a new price that is the old", { kind: "new-price", price: gbp(2400) }, /below the price before/],
    ["another currency", { kind: "new-price", price: money(10, "EUR") }, /in EUR, but the product is priced in GBP/],
  ] as const)("%s is refused in words", (_, terms, words) =>
    expect(() => offerFigures(gbp(2400), terms)).toThrow(words),
  );
});

describe("several pieces", () => {
  test.each([
    ["3 for 2", 450, { kind: "buy-x-get-y", buy: 2, free: 1 }, [3, 1350, 900, 450, 33, 300]],
    ["3 for 2 that does not divide", 100, { kind: "buy-x-get-y", buy: 2, free: 1 }, [3, 300, 200, 100, 33, 67]],
    ["one bought, one free", 99, { kind: "buy-x-get-y", buy: 1, free: 1 }, [2, 198, 99, 99, 50, 50]],
    ["3 for £10", 450, { kind: "n-for", count: 3, price: gbp(1000) }, [3, 1350, 1000, 350, 25, 334]],
    ["3 for 2 of nothing", 0, { kind: "buy-x-get-y", buy: 2, free: 1 }, [3, 0, 0, 0, 0, 0]],
  ] as const)("%s", (_, price, terms, wanted) => expect(numbers(price, terms)).toEqual(wanted));

  test.each([
    ["the cheapest of three is free", [900, 300, 500], 1400],
    ["dearest together: two groups", [1000, 900, 800, 300, 200, 100], 1000 + 900 + 300 + 200],
    ["what is left over pays in full", [1000, 900, 800, 300], 1000 + 900 + 300],
    ["two pieces are no group", [1000, 900], 1900],
  ])("three for two, mixed prices: %s", (_, prices, now) =>
    expect(basketFigures(prices.map(gbp), { kind: "buy-x-get-y", buy: 2, free: 1 }).now.amount).toBe(now),
  );

  test("a set price never makes a cheap group dearer", () =>
    expect(
      basketFigures([1000, 900, 100, 100].map(gbp), { kind: "n-for", count: 2, price: gbp(1500) }).now.amount,
    ).toBe(1500 + 200));
  test("several for a price that saves nothing is refused", () =>
    expect(() => offerFigures(gbp(300), { kind: "n-for", count: 3, price: gbp(900) })).toThrow(/no more than that/));

  test("no basket costs more with an offer than without, and free pieces are never the dearest", () => {
    fc.assert(
      fc.property(
        fc.array(anyPrice, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 3 }),
        (prices, buy, free) => {
          const { was, now, saving } = basketFigures(prices.map(gbp), { kind: "buy-x-get-y", buy, free });
          expect(now.amount).toBeLessThanOrEqual(was.amount);
          // At most `free` of each full group are free, so at most that many of the dearest.
          const mostFree = Math.floor(prices.length / (buy + free)) * free;
          const dearest = [...prices]
            .sort((a, b) => b - a)
            .slice(0, mostFree)
            .reduce((total, one) => total + one, 0);
          expect(saving.amount).toBeLessThanOrEqual(dearest);
        },
      ),
    );
  });
});

describe("bundles", () => {
  test.each([
    ["pot and compost", [2400, 980], 2999, [2, 3380, 2999, 381, 11, 1500]],
    ["with something that costs nothing", [2400, 0], 2000, [2, 2400, 2000, 400, 16, 1000]],
    ["for nothing", [100, 100], 0, [2, 200, 0, 200, 100, 0]],
  ] as const)("%s", (_, parts, price, wanted) => {
    const { pieces, was, now, saving, percent, each } = bundleFigures(parts.map(gbp), gbp(price));
    expect([pieces, was.amount, now.amount, saving.amount, percent, each.amount]).toEqual(wanted);
  });
  test("one product is no bundle", () => expect(() => bundleFigures([gbp(100)], gbp(50))).toThrow(/two products/));
  test("a bundle that saves nothing is refused", () =>
    expect(() => bundleFigures([gbp(100), gbp(100)], gbp(200))).toThrow(/cost less/));
});

test.each([
  [{ kind: "gift", gift: "trowel", leastSpend: null }],
  [{ kind: "free-delivery", leastSpend: gbp(3000) }],
  [{ kind: "announcement", text: "Open late on Friday" }],
] as const)("%o changes no price", (terms) => expect(offerFigures(gbp(100), terms)).toBeNull());
