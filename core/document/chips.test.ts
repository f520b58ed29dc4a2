import { testDocument, testFacts } from "../testing/promotions";
import { CHIPS, chipText, emptyChips, hasChips, withChips } from "./chips";
import { applyEdit, fillSlot, putItem } from "./edits";
import { resolvePromotion } from "./resolve";
import { NO_STANDING } from "./standing";

const facts = testFacts({
  standing: {
    ...NO_STANDING,
    offer: {
      state: "running",
      from: "Monday 23 November",
      until: "Sunday 29 November",
      daysLeft: "3 days",
      claim: null,
    },
  },
});

test("each chip stands for what its source says now", () => {
  expect(Object.fromEntries(CHIPS.map((chip) => [chip.name, withChips(chipText(chip), facts)]))).toEqual({
    product: "Hand-thrown pot, 24 cm",
    "price now": "£20.40",
    "price before": "£24.00",
    saving: "£3.60",
    percent: "15\u00a0%",
    "last day": "Sunday 29 November",
    "days left": "3 days",
    website: "quillfern.example.com",
    handle: "@quillfern",
  });
});

test("chips stand among other words, several times too; other braces are words like any", () => {
  expect(withChips("{price now}, not {price before}: {price now}!", facts)).toBe("£20.40, not £24.00: £20.40!");
  expect(withChips("{a note} {} {Price now} } {", facts)).toBe("{a note} {} {Price now} } {");
  expect([hasChips("only {percent} off"), hasChips("only {a note}"), hasChips("")]).toEqual([true, false, false]);
});

test("without an offer the product's own price is the price now, and what only an offer has stands for nothing", () => {
  const bare = testFacts({ offer: null });
  expect(withChips("{price now}{price before}{saving}", bare)).toBe("£24.00");
  const names = emptyChips("{price now} {saving} {percent} {days left} {website}", bare).map(({ name }) => name);
  expect(names).toEqual(["saving", "percent", "days left"]);
});

test("words of slots and of items are shown with what their chips stand for, and follow it", () => {
  const document = [
    fillSlot("hook.headline", { kind: "words", text: "{product} for {price now}" }),
    putItem("1", { kind: "words", role: "line", text: "{days left} left", order: "a1", from: "hook", to: "hook" }),
  ].reduce(applyEdit, testDocument());
  const shown = (known: typeof facts) => {
    const { scenes, items } = resolvePromotion(document, known);
    const own = items.map(({ what: { item } }) => (item.kind === "words" ? item.text : ""));
    return [scenes[0]?.words["headline"], ...own];
  };
  expect(shown(facts)).toEqual(["Hand-thrown pot, 24 cm for £20.40", "3 days left"]);
  const { offer } = facts;
  const cheaper = testFacts({ offer: offer && { ...offer, now: "£18.00" } });
  expect(shown(cheaper)).toEqual(["Hand-thrown pot, 24 cm for £18.00", " left"]);
});
