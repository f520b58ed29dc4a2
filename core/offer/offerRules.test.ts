import fc from "fast-check";
import { money } from "./money";
import { offerBadge, offerLines } from "./offerLines";
import { priorPrice, priorPriceFinding } from "./priorPrice";
import { inScope, readOfferScope } from "./scope";
import { resolveStacked } from "./stacking";
import { OFFER_KINDS, OFFER_KIND_NAMES, type OfferTerms, readOfferTerms } from "./terms";
import { unitPrice } from "./unitPrice";
import { instantOf, lastDay, offerState } from "./validity";

const gbp = (amount: number) => money(amount, "GBP");
const day = (text: string) => new Date(`${text}T00:00:00Z`);
const week = { startsAt: day("2030-05-01"), endsAt: day("2030-05-06"), zone: "UTC" };

describe("offer lines", () => {
  const pot = { name: "Hand-thrown pot", price: gbp(1200) };
  test.each<[OfferTerms, string, string, string, string]>([
    [{ kind: "percent-off", percent: 15, ending: "exact" }, "£12.00", "£10.20", "15\u00a0% off", "£12.00 → £10.20"],
    [{ kind: "percent-off", percent: 0.5, ending: "exact" }, "£12.00", "£11.94", "save £0.06", "£12.00 → £11.94"],
    [{ kind: "money-off", amount: gbp(300), ending: "exact" }, "£12", "£9", "£3 off", "£12 → £9"],
    [{ kind: "new-price", price: gbp(900) }, "£12", "£9", "25\u00a0% off", "£12 → £9"],
    [{ kind: "buy-x-get-y", buy: 2, free: 1 }, "£36", "£24", "3 for 2", "£36 → £24"],
    [{ kind: "n-for", count: 3, price: gbp(3000) }, "£36", "£30", "3 for £30", "£36 → £30"],
    [{ kind: "gift", gift: "trowel", leastSpend: null }, "", "£12", "free trowel", "free trowel"],
    [{ kind: "free-delivery", leastSpend: gbp(3000) }, "", "£12", "free delivery from £30", "free delivery from £30"],
    [{ kind: "announcement", text: "Open late on Friday" }, "", "£12", "Open late on Friday", "Open late on Friday"],
  ])("%o", (terms, was, now, badge, short) =>
    expect(offerLines(pot, terms, week, "en-GB")).toMatchObject({
      was,
      now,
      badge,
      short,
      until: "Until Sunday 5 May",
    }),
  );

  test("a bundle is written with the prices of its parts", () =>
    expect(
      offerLines({ ...pot, bundle: [gbp(1200), gbp(800)] }, { kind: "bundle-price", price: gbp(1500) }, week, "en-GB"),
    ).toMatchObject({
      was: "£20",
      now: "£15",
      badge: "25\u00a0% off",
      long: "Hand-thrown pot and more: £15 instead of £20, until Sunday 5 May",
      saved: "£5",
      percent: "25\u00a0%",
      lastDay: "Sunday 5 May",
    }));

  test("figures and dates follow the brand's locale", () => {
    const lines = offerLines(
      { name: "Topf", price: money(1200, "EUR") },
      { kind: "percent-off", percent: 12.5, ending: "exact" },
      week,
      "de-DE",
    );
    expect(lines.now).toBe("10,50\u00a0€");
    expect(lines.until).toContain("Sonntag, 5. Mai");
    expect(offerBadge({ kind: "percent-off", percent: 12.5, ending: "exact" }, "de-DE")).toBe("12,5\u00a0% off");
  });
});

describe("terms at the door", () => {
  test.each<[string, unknown, RegExp]>([
    ["no kind", {}, /known kinds/],
    ["an unknown kind", { kind: "lottery" }, /known kinds/],
    ["a percentage above 100", { kind: "percent-off", percent: 101, ending: "exact" }, /At most 100/],
    ["three decimals", { kind: "percent-off", percent: 1.005, ending: "exact" }, /two decimals/],
    ["an ending of its own", { kind: "percent-off", percent: 10, ending: ".42" }, /ending from the list/],
    ["nothing off", { kind: "money-off", amount: { amount: 0, currency: "GBP" }, ending: "exact" }, /above zero/],
    ["half a piece", { kind: "buy-x-get-y", buy: 1.5, free: 1 }, /Whole pieces/],
    ["one for a price", { kind: "n-for", count: 1, price: { amount: 5, currency: "GBP" } }, /At least 2/],
    ["a gift without a name", { kind: "gift", gift: " ", leastSpend: null }, /few words|trimmed/],
    ["half a penny", { kind: "new-price", price: { amount: 0.5, currency: "GBP" } }, /integer/],
  ])("%s is refused", (_, value, words) => expect(() => readOfferTerms(value)).toThrow(words));

  test("what is written is read again", () => {
    const terms: OfferTerms = { kind: "gift", gift: "trowel", leastSpend: gbp(3000) };
    expect(readOfferTerms(JSON.parse(JSON.stringify(terms)))).toEqual(terms);
  });
  test("every kind has a name", () => expect(Object.keys(OFFER_KIND_NAMES).sort()).toEqual([...OFFER_KINDS].sort()));
});

describe("scope", () => {
  const product = { id: "5f0c8a56-6f0e-4d39-9d1e-0c6b7f2f6c01", tags: ["herbs"] };
  test.each([
    [{ on: "all" }, true],
    [{ on: "products", products: [product.id] }, true],
    [{ on: "products", products: ["another"] }, false],
    [{ on: "tags", tags: ["pots", "herbs"] }, true],
    [{ on: "tags", tags: ["pots"] }, false],
  ] as const)("%o", (scope, wanted) => expect(inScope(scope, product)).toBe(wanted));
  test.each([
    [{ on: "products", products: [] }, /one product/],
    [{ on: "tags", tags: [] }, /one tag/],
    [{ on: "moon" }, /all products/],
  ])("%o is refused", (scope, words) => expect(() => readOfferScope(scope)).toThrow(words));
});

describe("offers on top of each other", () => {
  const offer = (name: string, terms: OfferTerms, endsAt = "2030-05-06") => ({
    id: name,
    name,
    terms,
    endsAt: day(endsAt),
  });
  test.each([
    [
      "the lower price for one piece",
      [
        offer("ten", { kind: "percent-off", percent: 10, ending: "exact" }),
        offer("nine", { kind: "new-price", price: gbp(900) }),
      ],
      "nine",
    ],
    [
      "a multi-buy by what one piece comes to",
      [offer("nine", { kind: "new-price", price: gbp(900) }), offer("three", { kind: "buy-x-get-y", buy: 2, free: 1 })],
      "three",
    ],
    [
      "of equals the one that ends first",
      [
        offer("late", { kind: "new-price", price: gbp(900) }, "2030-05-09"),
        offer("soon", { kind: "money-off", amount: gbp(300), ending: "exact" }),
      ],
      "soon",
    ],
    [
      "what can't apply is passed over",
      [
        offer("dear", { kind: "new-price", price: gbp(5000) }),
        offer("ten", { kind: "percent-off", percent: 10, ending: "exact" }),
      ],
      "ten",
    ],
    ["an announcement lowers nothing", [offer("news", { kind: "announcement", text: "Hello" })], undefined],
  ])("%s", (_, offers, wanted) => expect(resolveStacked(gbp(1200), offers)?.offer.name).toBe(wanted));

  test("the order they come in does not matter", () => {
    const offers = [
      offer("a", { kind: "percent-off", percent: 10, ending: "exact" }),
      offer("b", { kind: "percent-off", percent: 20, ending: ".99" }),
      offer("c", { kind: "n-for", count: 2, price: gbp(1900) }),
      offer("d", { kind: "money-off", amount: gbp(240), ending: "exact" }),
    ];
    fc.assert(
      fc.property(fc.shuffledSubarray(offers, { minLength: 4 }), (mixed) =>
        expect(resolveStacked(gbp(1200), mixed)?.offer.name).toBe("b"),
      ),
    );
  });
});

// EU Directive 98/6/EC Art. 6a: the price before is the lowest of the 30 days before the reduction.
describe("the price before", () => {
  const starts = day("2030-06-01");
  test.each([
    ["a steady price", [["2030-01-01", 1200]], [], 1200],
    [
      "raised a week before: the lower one counts",
      [
        ["2030-01-01", 1000],
        ["2030-05-25", 1200],
      ],
      [],
      1000,
    ],
    [
      "raised 31 days before",
      [
        ["2030-01-01", 1000],
        ["2030-05-01", 1200],
      ],
      [],
      1200,
    ],
    [
      "the lower price ended within the 30 days",
      [
        ["2030-01-01", 1000],
        ["2030-05-03", 1200],
      ],
      [],
      1000,
    ],
    ["an offer in between counts as applied", [["2030-01-01", 1200]], [["2030-05-10", "2030-05-12", 800]], 800],
    ["an offer long past does not", [["2030-01-01", 1200]], [["2030-03-10", "2030-03-12", 800]], 1200],
    ["priced for ten days only", [["2030-05-22", 900]], [], 900],
  ] as const)("%s", (_, steps, reductions, wanted) =>
    expect(
      priorPrice(
        steps.map(([from, amount]) => ({ from: day(from), price: gbp(amount) })),
        reductions.map(([from, to, amount]) => ({ from: day(from), to: day(to), price: gbp(amount) })),
        starts,
      )?.amount,
    ).toBe(wanted),
  );

  test("a claim above it is a finding that names it", () =>
    expect(
      priorPriceFinding(
        gbp(1200),
        [
          { from: day("2030-01-01"), price: gbp(1000) },
          { from: day("2030-05-25"), price: gbp(1200) },
        ],
        [],
        starts,
      ),
    ).toEqual({ kind: "too-high", lowest: gbp(1000) }));
  test("a product without a price before can't claim one", () =>
    expect(priorPriceFinding(gbp(1200), [{ from: day("2030-06-02"), price: gbp(1200) }], [], starts)).toEqual({
      kind: "no-history",
    }));
  test("an honest claim has no finding", () =>
    expect(priorPriceFinding(gbp(1200), [{ from: day("2030-01-01"), price: gbp(1200) }], [], starts)).toBeNull());
});

describe("windows", () => {
  test("an offer that ended yesterday in another zone has ended, whatever the day is here", () => {
    const auckland = {
      startsAt: instantOf("2030-04-01T00:00", "Pacific/Auckland"),
      endsAt: instantOf("2030-05-05T00:00", "Pacific/Auckland"),
      zone: "Pacific/Auckland",
    };
    const noonInLondon = instantOf("2030-05-04T13:30", "Europe/London");
    expect(offerState(auckland, noonInLondon)).toBe("ended");
    expect(lastDay(auckland, "en-GB")).toBe("Saturday 4 May");
  });
  test("a window across the change to summer time is an hour shorter (IANA: Europe/London, 31 March 2030)", () =>
    expect(
      instantOf("2030-04-01T00:00", "Europe/London").getTime() -
        instantOf("2030-03-31T00:00", "Europe/London").getTime(),
    ).toBe(23 * 3_600_000));
});

describe("price per unit", () => {
  test.each([
    ["a small jar by 100 g", 450, 200, "g", 225, "100 g"],
    ["a bag by the kilogram", 980, 750, "g", 1307, "kg"],
    ["a kilogram is itself", 980, 1, "kg", 980, "kg"],
    ["a bottle by the litre", 399, 750, "ml", 532, "litre"],
    ["40 litres", 980, 40, "l", 25, "litre"],
    ["a box of six", 1250, 6, "piece", 208, "piece"],
    ["half a penny goes up", 5, 10, "m", 1, "metre"],
  ] as const)("%s", (_, price, quantity, unit, wanted, per) =>
    expect(unitPrice(gbp(price), { quantity, unit })).toEqual({ price: gbp(wanted), per }),
  );
  test("nothing has no price per unit", () =>
    expect(() => unitPrice(gbp(100), { quantity: 0, unit: "g" })).toThrow(RangeError));
});
