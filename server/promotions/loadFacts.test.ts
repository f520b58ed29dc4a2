import { linesOrReason } from "../catalogue/offerOnProduct";
import { fileVersion } from "../media/fileVersion";
import { mediaFacts } from "../media/storedFacts";

const offer = {
  terms: { kind: "percent-off", percent: 15, ending: "exact" },
  scope: { on: "all" },
  starts_at: new Date("2030-05-01T00:00Z"),
  ends_at: new Date("2030-05-06T00:00Z"),
  zone: "UTC",
};
const pot = {
  id: "5f0c8a56-6f0e-4d39-9d1e-0c6b7f2f6c01",
  name: "Pot",
  price_minor: 2400,
  currency: "GBP",
  tags: ["pots"],
};

test("an offer is written out for a product", () =>
  expect(linesOrReason(pot, offer, "en-GB")).toMatchObject({ now: "£20.40" }));

test.each([
  ["another currency", { terms: { kind: "new-price", price: { amount: 100, currency: "EUR" } } }, /in EUR/],
  [
    "no lower price",
    { terms: { kind: "new-price", price: { amount: 3000, currency: "GBP" } } },
    /below the price before/,
  ],
  ["not in scope", { scope: { on: "tags", tags: ["herbs"] } }, /not among those/],
  ["a bundle of one", { terms: { kind: "bundle-price", price: { amount: 100, currency: "GBP" } } }, /two products/],
])("an offer that can't apply says why: %s", (_, change, words) => {
  const lines = linesOrReason(pot, { ...offer, ...change }, "en-GB");
  expect("reason" in lines ? lines.reason : "").toMatch(words);
});

test("stored facts are read through a schema", () => {
  const row = {
    id: "m",
    name: "pot.jpg",
    kind: "picture" as const,
    sha256: "0123456789abcdef".repeat(4),
    facts: { width: 100, height: 50, levels: 2, focal: { x: 0.5, y: 0.5 } },
  };
  expect(mediaFacts(row)).toMatchObject({ kind: "picture", width: 100, version: fileVersion(row.sha256) });
  expect(mediaFacts({ ...row, facts: null })).toBeNull();
  expect(() => mediaFacts({ ...row, facts: { ...row.facts, focal: { x: 3, y: 0 } } })).toThrow("focal.x");
  expect(() => mediaFacts({ ...row, kind: "clip" })).toThrow();
});
