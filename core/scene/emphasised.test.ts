import { contrastRatio } from "../color/contrast";
import { type Edit } from "../document/edit";
import { adjust, applyEdit, fillSlot, putItem } from "../document/edits";
import { resolvePromotion } from "../document/resolve";
import { openWanted, testBook } from "../testing/fonts";
import { TEST_BRAND, testDocument, testFacts } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { type DisplayNode, everyNode } from "./displayList";
import { paintedText } from "./paintedText";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const { palette } = TEST_BRAND;
const NAME = { target: { scene: "product", slot: "name" } };
const name = (text: string): Edit => fillSlot("product.name", { kind: "words", text });
/** Wider than any line. */
const LONG = "Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichenfabrik".repeat(2);
const own = (text: string): Edit =>
  putItem("1", { kind: "words", role: "line", text, order: "a1", from: "product", to: "product" });

async function prepared(...edits: readonly Edit[]) {
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, "square", book);
}
/** The shapes of a frame in the middle of the second scene, by how many numbers each ink's outlines have. */
async function shapes(...edits: readonly Edit[]): Promise<Map<string, number>> {
  const sizes = new Map<string, number>();
  for (const node of everyNode(displayListAt(await prepared(...edits), ticksOf(5500))))
    if (node.kind === "shape") sizes.set(inkOf(node), (sizes.get(inkOf(node)) ?? 0) + node.outline.length);
  return sizes;
}
const inkOf = ({ ink }: Extract<DisplayNode, { kind: "shape" }>): string =>
  typeof ink === "string" ? ink : "a gradient";
const sum = (sizes: ReadonlyMap<string, number>): number => [...sizes.values()].reduce((all, one) => all + one, 0);

test("what is marked is drawn in a second colour; nothing moves, and it is read without its marks", async () => {
  const [marked, plain] = [await shapes(name("Pots and *trays*")), await shapes(name("Pots and trays"))];
  expect(sum(marked)).toBe(sum(plain));
  expect(marked.get(palette.accent) ?? 0).toBeGreaterThan(plain.get(palette.accent) ?? 0);
  const slots = async (text: string) =>
    (await prepared(name(text))).scenes[1]?.slots.map(({ text, place, ink }) => ({ text, place, ink }));
  expect(await slots("Pots and *trays*")).toEqual(await slots("Pots and trays"));
});

test("the second colour is chosen from the brand's; one that can't be read where it would stand is not taken", async () => {
  const colored = (role: "sale" | "card") => adjust("emphasis", role, NAME);
  const [sale, plain] = [await shapes(name("*Pots* now"), colored("sale")), await shapes(name("Pots now"))];
  expect(sale.get(palette.sale) ?? 0).toBeGreaterThan(plain.get(palette.sale) ?? 0);
  // The scene stands on the card colour.
  expect(contrastRatio(palette.card, palette.ground)).toBeLessThan(3);
  expect(await shapes(name("*Pots* now"), colored("card"))).toEqual(plain);
});

test("in capitals, with numbers, in words of one's own and on their plates: what is marked stays so", async () => {
  const painted = async (...edits: readonly Edit[]): Promise<string> => {
    const { scenes, items } = await prepared(...edits);
    return [scenes[1], ...items.map(({ what }) => what)].map((set) => (set ? paintedText(set, {}) : "")).join("\n");
  };
  expect(await painted(name("*été* là"), adjust("capitals", true, NAME))).toBe(await painted(name("*ÉTÉ* LÀ")));
  expect(await painted(name("*One*\ntwo"), adjust("numbered", true, NAME))).toBe(
    await painted(name("1. *One*\n2. two")),
  );
  const ITEM = { target: { item: "1" } };
  expect(await painted(own("One\n*two*"), adjust("numbering", true, ITEM))).toBe(
    await painted(own("1. One\n2. *two*")),
  );
  for (const plate of ["nothing", "card"] as const) {
    const inSale = [adjust("plate", plate, ITEM), adjust("emphasisInk", "sale", ITEM)] as const;
    const [marked, plain] = [await shapes(own("Only *today*"), ...inSale), await shapes(own("Only today"), ...inSale)];
    expect(sum(marked)).toBe(sum(plain));
    expect(marked.get(palette.sale) ?? 0).toBeGreaterThan(plain.get(palette.sale) ?? 0);
  }
});

test("letters that join stay joined; a word that is cut to fit stays marked", async () => {
  const inSale = adjust("emphasis", "sale", NAME);
  for (const [marked, plain] of [
    ["*خصم* كبير", "خصم كبير"],
    ["(*خصم*) كبير", "(خصم) كبير"],
    [`*${LONG}*`, LONG],
  ] as const) {
    const [drawn, usual] = [await shapes(name(marked), inSale), await shapes(name(plain), inSale)];
    expect(sum(drawn)).toBe(sum(usual));
    expect(drawn.get(palette.sale) ?? 0).toBeGreaterThan((usual.get(palette.sale) ?? 0) + 50);
  }
});
