import { adjust, applyEdit, inverseOf, putItem, takeOutItem, takeOutScene } from "../document/edits";
import { type Item } from "../document/items";
import { type Promotion } from "../document/promotion";
import { promotionProblem } from "../document/locks";
import { resolvePromotion } from "../document/resolve";
import { type FormatName } from "../placement/formats";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { type Ticks, msOf, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const HEADING: Item = { kind: "words", role: "label", text: "All week", order: "a1", from: "hook", to: "offer" };
const BAR: Item = { kind: "progress", order: "a0", from: "hook", to: "sign-off" };
const withItems = (...items: readonly (readonly [string, Item])[]): Promotion =>
  items.reduce((document, [id, item]) => applyEdit(document, putItem(id, item)), testDocument());

async function prepared(document: Promotion, format: FormatName = "square") {
  const promotion = resolvePromotion(document, testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, format, book);
}
/** What the items add to a frame. */
async function added(document: Promotion, ms: number, format: FormatName = "square"): Promise<DisplayNode[]> {
  const [whole, bare] = await Promise.all([prepared(document, format), prepared({ ...document, items: {} }, format)]);
  const scenes = displayListAt(bare, ticksOf(ms)).length;
  return displayListAt(whole, ticksOf(ms)).slice(scenes);
}
const spanOf = async (document: Promotion): Promise<(readonly [number, number])[]> =>
  (await prepared(document)).items.map(({ from, to }) => [msOf(from), msOf(to)]);

test("a heading runs over several scenes and their transitions without starting again: the same node all the time", async () => {
  const document = withItems(["heading", HEADING]);
  const shape = await prepared(document);
  expect(await spanOf(document)).toEqual([[0, 11_000]]);
  const at = (ms: number): DisplayNode | undefined => displayListAt(shape, ticksOf(ms)).at(-1);
  const moments = [1000, 2900, 3200, 3400, 6000, 7000, 9000, 10_000].map(at);
  expect(moments[0]?.kind).toBe("still");
  expect(new Set(moments).size).toBe(1);
  // It comes in and goes like other words.
  expect(at(100)?.kind).toBe("transformed");
  expect(at(10_900)?.kind).toBe("transformed");
  expect(displayListAt(shape, ticksOf(11_200))).not.toContain(moments[0]);
});

test("items lie on top of each other in their order, over whatever scenes there are", async () => {
  const nodes = await added(withItems(["heading", HEADING], ["bar", BAR]), 5000);
  expect(nodes.map(({ kind }) => kind)).toEqual(["fill", "fill", "still"]);
});

test("a progress bar has gone as far as the time: a third of its width at a third of its scenes", async () => {
  const [gone, left] = await added(withItems(["bar", BAR]), 5000);
  const [whole] = await added(withItems(["bar", BAR]), 14_999);
  if (gone?.kind !== "fill" || left?.kind !== "fill" || whole?.kind !== "fill")
    throw new Error("A bar is made of fills.");
  expect(gone.place.width).toBeCloseTo(360, 6);
  expect(left.place.x).toBeCloseTo(360, 6);
  expect(gone.place.width + left.place.width).toBeCloseTo(1080, 6);
  expect(whole.place.width).toBeGreaterThan(1079);
});

test("where it stands, how large and how turned it is, is set for all formats or one; the nearest wins", async () => {
  const target = { item: "heading" };
  const plain = withItems(["heading", HEADING]);
  const everywhere = applyEdit(plain, adjust("at", { x: 0.25, y: 0.75 }, { target }));
  const inVertical = applyEdit(
    everywhere,
    adjust("at", { x: 0.5, y: 0.5 }, { target, layer: "scene@format", format: "vertical" }),
  );
  const middle = async (document: Promotion, format: FormatName): Promise<readonly [number, number]> => {
    const [node] = await added(document, 5000, format);
    if (node?.kind !== "still") throw new Error("It stands still by now.");
    const { x, y, width, height } = node.bounds;
    return [Math.round(x + width / 2), Math.round(y + height / 2)];
  };
  const near = ([x, y]: readonly [number, number], wanted: readonly [number, number]): void => {
    expect(Math.abs(x - wanted[0])).toBeLessThanOrEqual(6);
    expect(Math.abs(y - wanted[1])).toBeLessThanOrEqual(14);
  };
  near(await middle(plain, "square"), [540, 216]);
  near(await middle(everywhere, "square"), [270, 810]);
  near(await middle(everywhere, "vertical"), [270, 1440]);
  near(await middle(inVertical, "vertical"), [540, 960]);
  near(await middle(inVertical, "square"), [270, 810]);
  const turned = applyEdit(plain, adjust("angle", 90, { target }));
  const [upright, lying] = [(await added(plain, 5000))[0], (await added(turned, 5000))[0]];
  if (upright?.kind !== "still" || lying?.kind !== "still") throw new Error("They stand still by now.");
  expect(lying.bounds.width).toBeCloseTo(upright.bounds.height, 0);
  expect(lying.bounds.height).toBeCloseTo(upright.bounds.width, 0);
});

test("it comes in later and goes earlier when told, and not at all where nothing is left of it", async () => {
  const target = { item: "heading" };
  const document = withItems(["heading", HEADING]);
  const later = applyEdit(document, adjust("starts", millis(1500), { target }));
  const both = applyEdit(later, adjust("ends", millis(2500), { target }));
  expect(await spanOf(both)).toEqual([[1500, 8500]]);
  expect(await spanOf(applyEdit(both, adjust("ends", millis(11_000), { target })))).toEqual([]);
});

test("an item whose scene is taken out is there in the other; with both gone it waits, and is back with them", async () => {
  const document = withItems(["heading", HEADING]);
  const half = applyEdit(document, takeOutScene("offer"));
  expect(await spanOf(half)).toEqual([[0, 3500]]);
  const none = applyEdit(half, takeOutScene("hook"));
  expect(await spanOf(none)).toEqual([]);
  expect(none.items).toEqual(document.items);
});

test("words on a plate can be read, whatever colour they are given: the wanted one where it can be read, else another", async () => {
  const target = { item: "heading" };
  const document = applyEdit(withItems(["heading", HEADING]), adjust("plate", "primary", { target }));
  const inks = async (ink: "card" | "primary"): Promise<unknown[]> =>
    [...everyNode(await added(applyEdit(document, adjust("ink", ink, { target })), 5000))].flatMap((node) =>
      node.kind === "shape" ? [node.ink] : [],
    );
  expect(await inks("card")).toEqual(["#2b5f47", "#fffaf0"]);
  const [plate, letters] = await inks("primary");
  expect([plate, letters]).not.toEqual(["#2b5f47", "#2b5f47"]);
});

test("taking an item out takes what was set for it along, and undo brings both back, to the byte", () => {
  const target = { item: "heading" };
  const document = applyEdit(withItems(["heading", HEADING], ["bar", BAR]), adjust("opacity", 0.5, { target }));
  const edit = takeOutItem(document, "heading");
  const without = applyEdit(document, edit);
  expect(without.adjustments).toEqual({});
  expect(Object.keys(without.items)).toEqual(["bar"]);
  expect(JSON.stringify(applyEdit(without, inverseOf(document, edit)))).toBe(JSON.stringify(document));
});

test("what can't be an item, or can't be set for one, is refused in words", () => {
  const document = withItems(["bar", BAR]);
  const put =
    (item: object): (() => Promotion) =>
    () =>
      applyEdit(document, putItem("x", item as Item));
  expect(put({ ...BAR, kind: "confetti" })).toThrow(
    "An item is one of: words, counter, sticker, shape, line, frame, progress, wave.",
  );
  expect(put({ ...HEADING, text: "x".repeat(161) })).toThrow("at most 160");
  expect(put({ ...BAR, from: "No such" })).toThrow("An id is lower-case");
  const target = { item: "bar" };
  expect(() => applyEdit(document, adjust("size", 9, { target }))).toThrow("Size: At most 2.");
  expect(() => applyEdit(document, adjust("ground", "card", { target }))).toThrow("Ground is set for a scene");
  const turned = applyEdit(document, adjust("angle", 30, { target }));
  expect(promotionProblem(turned, SHIPPED_BY_REF)).toBe("Items of the kind “progress” have no angle to set.");
});

test("an item is part of what is painted of a stretch: the frames under it, and no others, are painted anew", async () => {
  const all = (shape: Awaited<ReturnType<typeof prepared>>, time: Ticks) => displayListAt(shape, time);
  const item: Item = { kind: "sticker", sticker: "burst", order: "a0", from: "offer", to: "offer" };
  const [plain, own] = [await prepared(testDocument()), await prepared(withItems(["burst", item]))];
  expect(all(own, ticksOf(2000))).toHaveLength(all(plain, ticksOf(2000)).length);
  expect(all(own, ticksOf(8000))).toHaveLength(all(plain, ticksOf(8000)).length + 1);
});

test("a frame is a border as thick as it says, of four sides that meet and never lie over each other", async () => {
  const frame: Item = { kind: "frame", thickness: 0.05, order: "a0", from: "hook", to: "hook" };
  const [still] = await added(withItems(["frame", frame]), 1500);
  const sides = [...everyNode(still ? [still] : [])].flatMap((node) => (node.kind === "fill" ? [node.place] : []));
  // In the square: 972 across, its middle in the middle, 54 thick.
  expect(sides).toEqual([
    { x: 54, y: 54, width: 972, height: 54 },
    { x: 54, y: 972, width: 972, height: 54 },
    { x: 54, y: 108, width: 54, height: 864 },
    { x: 972, y: 108, width: 54, height: 864 },
  ]);
  const low = adjust("tall", 0.05, { target: { item: "frame" } });
  const [flat] = await added(applyEdit(withItems(["frame", frame]), low), 1500);
  const area = [...everyNode(flat ? [flat] : [])].reduce(
    (sum, node) => sum + (node.kind === "fill" ? node.place.width * node.place.height : 0),
    0,
  );
  expect(area).toBeCloseTo(972 * 48.6, 3);
});

test.each([
  ["word by word", 2],
  ["letter by letter", 7],
] as const)("words over scenes come %s, the plate with the first of them, and stand as one", async (by, most) => {
  const target = { item: "heading" };
  const document = applyEdit(withItems(["heading", HEADING]), adjust("lettersCome", by, { target }));
  const [early, later, rest] = [await added(document, 60), await added(document, 400), await added(document, 2000)];
  expect(early.length).toBeGreaterThan(0);
  expect(early.length).toBeLessThan(later.length);
  expect(later.length).toBeLessThanOrEqual(most);
  expect(rest.map(({ kind }) => kind)).toEqual(["still"]);
  // The plate: a shape that is wider than any letter, once.
  const plates = (nodes: readonly DisplayNode[]): number =>
    [...everyNode(nodes)].filter((node) => node.kind === "shape" && node.ink === testFacts().brand.palette.card).length;
  expect([plates(early), plates(later), plates(rest)]).toEqual([1, 1, 1]);
});
