import { contrastRatio } from "../color/contrast";
import { type Edit } from "../document/edit";
import { adjust, applyEdit, fillSlot, putItem } from "../document/edits";
import { resolvePromotion } from "../document/resolve";
import { openWanted, testBook } from "../testing/fonts";
import { type Facts } from "../document/facts";
import { mediaFill } from "../document/shots";
import { PICTURE_ID, TEST_BRAND, testDocument, testFacts, testPicture } from "../testing/promotions";
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
  return preparedWith(testFacts(), ...edits);
}
async function preparedWith(facts: Facts, ...edits: readonly Edit[]) {
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, "square", book);
}
/** Everything in a frame of the first scene, with a headline over its picture. */
async function overPicture(text: string, tone: string | null): Promise<DisplayNode[]> {
  const facts = testFacts();
  const tones = tone === null ? {} : { tones: [tone.repeat(2400)] };
  const media = { ...facts.media, [PICTURE_ID]: testPicture(tones) };
  const edits = [
    fillSlot("hook.headline", { kind: "words", text }),
    fillSlot("hook.picture", mediaFill(PICTURE_ID)),
  ] as const;
  return [...everyNode(displayListAt(await preparedWith({ ...facts, media }, ...edits), ticksOf(2000)))];
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

test("over a picture the second colour is one that was measured to be read there; where none can be, words are underlined", async () => {
  const inks = (nodes: readonly DisplayNode[]): Set<string> =>
    new Set(nodes.flatMap((node) => (node.kind === "shape" ? [inkOf(node)] : [])));
  const underlines = (nodes: readonly DisplayNode[], plain: readonly DisplayNode[]): number => {
    const fills = [nodes, plain].map((all) => all.filter(({ kind }) => kind === "fill").length);
    return (fills[0] ?? 0) - (fills[1] ?? 0);
  };
  for (const [tone, second, lines] of [
    ["101010", true, 0],
    ["c9603a", false, 1],
    [null, false, 1],
  ] as const) {
    const [marked, plain] = [await overPicture("Come and *see*", tone), await overPicture("Come and see", tone)];
    expect(inks(marked).has(palette.accent) && !inks(plain).has(palette.accent)).toBe(second);
    expect(underlines(marked, plain)).toBe(lines);
  }
  // One line under two words beside each other, one for each that stands alone or on a line of its own.
  const bare = await overPicture("One two and three", null);
  expect(underlines(await overPicture("*One two* and *three*", null), bare)).toBeGreaterThanOrEqual(2);
  expect(underlines(await overPicture("*One* *two* and three", null), bare)).toBe(1);
});

test("in capitals, with numbers, in words of one's own and on their plates: what is marked stays so", async () => {
  const painted = async (...edits: readonly Edit[]): Promise<string> => {
    const { scenes, items } = await prepared(...edits);
    return [scenes[1], ...items.map(({ what }) => what)].map((set) => (set ? paintedText(set, {}) : "")).join("\n");
  };
  expect(await painted(name("*été* là"), adjust("capitals", true, NAME))).toBe(await painted(name("*ÉTÉ* LÀ")));
  expect(await painted(name("*One*\ntwo"), adjust("numbered", true, NAME))).toBe(
    await painted(name("1.\t*One*\n2.\ttwo")),
  );
  const ITEM = { target: { item: "1" } };
  expect(await painted(own("One\n*two*"), adjust("numbering", true, ITEM))).toBe(
    await painted(own("1.\tOne\n2.\t*two*")),
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
