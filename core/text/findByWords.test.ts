import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { findByWords } from "./findByWords";

const templates = (typed: string) =>
  findByWords(SHIPPED_TEMPLATES, ({ name, about, purpose }) => [name, about, purpose], typed);
const slugs = (typed: string): string[] => templates(typed).items.map(({ slug }) => slug);

test.each(["sale", "christmas", "birthday", "wedding", "food", "discount", "job"])(
  "templates are found for %s",
  (typed) => expect(slugs(typed).length).toBeGreaterThan(0),
);

test("what holds the word itself comes first, then what goes with it", () => {
  const all = slugs("menu");
  expect(all[0]).toBe("this-week");
  expect(slugs("wedding")).toContain("you-are-invited");
  expect(slugs("vacancy")).toContain("come-and-work-here");
});

test("a letter or two may be wrong in a long word, none in a short one", () => {
  expect(slugs("invitaton")).toContain("you-are-invited");
  expect(slugs("countdwon")).toContain("last-days");
  expect(slugs("mxnu")).toEqual([]);
});

test("all words must be answered", () => {
  expect(slugs("price card")).toContain("price-on-a-card");
  expect(slugs("price zebra")).toEqual([]);
});

test("where nothing fits, words that are near are named; where nothing is near, none", () => {
  expect(templates("weding party zzz").items).toEqual([]);
  expect(templates("weddign-cake").near).toContain("wedding");
  expect(templates("qqqqqq").near).toEqual([]);
  expect(templates("sale").near).toEqual([]);
});

test("no words ask for nothing", () => expect(slugs("  ")).toHaveLength(SHIPPED_TEMPLATES.length));
