import { testDocument, testFacts } from "../testing/promotions";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { applyEdit, inverseOf } from "./edits";
import { membersInOrder } from "./ordered";
import { type Item } from "./items";
import { promotionProblem } from "./locks";
import { readPromotion } from "./promotion";
import { addTextSet, textSets } from "./textSets";

const facts = testFacts();
const textOf = (item: Item): string[] => (item.kind === "words" ? [item.text] : []);

test.each(textSets(facts).map((set) => [set.title, set] as const))(
  "“%s” is put in as one step, in its order, where it was made to stand; undo takes all of it back to the byte",
  (_, set) => {
    const document = testDocument();
    const { ids, edit } = addTextSet(document, "hook", set);
    const after = applyEdit(document, edit);
    expect(readPromotion(after)).toEqual(after);
    expect(promotionProblem(after, SHIPPED_BY_REF)).toBeNull();
    expect(membersInOrder<string, Item>(after.items).map(({ id }) => id)).toEqual(ids);
    expect(ids.map((id) => after.adjustments[`item:${id}`]?.at)).toEqual(set.presets.map((preset) => preset.set.at));
    expect(JSON.stringify(applyEdit(after, inverseOf(document, edit)))).toBe(JSON.stringify(document));
  },
);

test("sets are drawn from the brand and the offer; where these say nothing there are words to write over", () => {
  const texts = (given: typeof facts) =>
    textSets(given).flatMap(({ presets }) =>
      presets.flatMap(({ item }) => textOf({ ...item, order: "a0", from: "", to: "" })),
    );
  const own = texts(facts);
  for (const said of [facts.brand.name, facts.brand.signOff.first, facts.offer?.now, facts.offer?.until])
    expect(own).toContain(said);
  const bare = texts({
    ...facts,
    product: null,
    offer: null,
    brand: { ...facts.brand, call: "", website: "", signOff: { first: "", second: "" } },
  });
  expect(bare.every((text) => text.trim() !== "")).toBe(true);
  expect(bare).toContain("9.50");
});

test("points come one after the other", () => {
  const set = textSets(facts).find(({ title }) => title === "Three points");
  expect(set?.presets.map((preset) => preset.set.starts)).toEqual([0, 700, 1400]);
});
