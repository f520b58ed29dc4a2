import { linesFor, readPalette } from "./loadFacts";
import { mediaFacts } from "../media/storedFacts";

const offer = { kind: "percent-off" as const, percent: 15, price_minor: null, currency: "GBP", starts_at: new Date("2030-05-01T00:00Z"), ends_at: new Date("2030-05-06T00:00Z"), zone: "UTC" };

test("an offer is written out for a product", () => {
  expect(linesFor({ price_minor: 2400, currency: "GBP" }, offer, "en-GB")?.now).toBe("£20.40");
});

test("an offer that can't lower a price gives no lines rather than false ones", () => {
  const newPrice = { ...offer, kind: "new-price" as const, percent: null, price_minor: 3000 };
  expect(linesFor({ price_minor: 2400, currency: "GBP" }, newPrice, "en-GB")).toBeNull();
  expect(linesFor({ price_minor: 2400, currency: "EUR" }, { ...newPrice, price_minor: 100 }, "en-GB")).toBeNull();
});

test("a stored palette that lacks a role is refused, naming it", () => {
  expect(() => readPalette({ ground: "#ffffff", card: "#ffffff", ink: "#000000", primary: "green", accent: "#ff0000" })).toThrow("“primary”");
});

test("stored facts are read through a schema", () => {
  const row = { id: "m", name: "pot.jpg", kind: "picture" as const, facts: { width: 100, height: 50, levels: 2, focal: { x: 0.5, y: 0.5 } } };
  expect(mediaFacts(row)).toMatchObject({ kind: "picture", width: 100 });
  expect(mediaFacts({ ...row, facts: null })).toBeNull();
  expect(() => mediaFacts({ ...row, facts: { ...row.facts, focal: { x: 3, y: 0 } } })).toThrow("focal.x");
  expect(() => mediaFacts({ ...row, kind: "clip" })).toThrow();
});
