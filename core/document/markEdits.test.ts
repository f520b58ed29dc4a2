import { type Rect, rect } from "../geometry/rect";
import { formatOf } from "../placement/formats";
import { displayListAt, preparePromotion, settledTime } from "../scene/preparePromotion";
import { everyNode } from "../scene/displayList";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "../testing/fonts";
import { TEST_LOGO, testDocument, testFacts } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { markOfKey } from "./brandMark";
import { type Edit } from "./edit";
import { adjust, applyEdit } from "./edits";
import { type Facts } from "./facts";
import { giveMarkBack, moveMark, placeMark, placeMarkEverywhere } from "./markEdits";
import { type Promotion, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";

const PLACE = rect(300, 400, 240, 160);
const plain = testFacts();
const withLogo: Facts = {
  ...plain,
  brand: { ...plain.brand, logos: [{ variant: "full", picture: TEST_LOGO }], watermark: null },
};
const marked: Facts = {
  ...withLogo,
  brand: { ...withLogo.brand, watermark: { corner: "top-left", size: 0.1, opacity: 0.7 } },
};

const after = (document: Promotion, ...edits: readonly (Edit | null)[]): Promotion =>
  edits.reduce<Promotion>((now, edit) => (edit ? applyEdit(now, edit) : now), document);

/** Where the marks stand in each scene of a format, by scene. */
async function marksIn(document: Promotion, facts: Facts, format: "square" | "vertical") {
  const book = testBook();
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const prepared = preparePromotion(promotion, format, book);
  return {
    prepared,
    spans: promotion.spans,
    marks: prepared.scenes.map(({ slots }) =>
      slots.flatMap(({ key, place }) => (markOfKey(key) ? [{ ...markOfKey(key), place }] : [])),
    ),
  };
}

const middle = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
  x: x + width / 2,
  y: y + height / 2,
});

test("a logo placed by hand stands there whole, in that format of that scene alone, and is what is drawn", async () => {
  const document = testDocument();
  const before = await marksIn(document, withLogo, "square");
  const at = before.marks.findIndex((marks) => marks.length > 0);
  const scene = before.marks[at]?.[0]?.scene ?? "";
  const placed = after(document, placeMark({ mark: "logo", scene }, "square", PLACE));
  const { marks, prepared, spans } = await marksIn(placed, withLogo, "square");
  const place = marks[at]?.[0]?.place ?? rect(0, 0, 0, 0);
  expect(middle(place)).toEqual(middle(PLACE));
  expect(place.width).toBeLessThanOrEqual(PLACE.width + 1e-6);
  expect(place.height).toBeLessThanOrEqual(PLACE.height + 1e-6);
  expect(marks.filter((_, index) => index !== at)).toEqual(before.marks.filter((_, index) => index !== at));
  expect((await marksIn(placed, withLogo, "vertical")).marks).toEqual(
    (await marksIn(document, withLogo, "vertical")).marks,
  );
  const span = spans[at];
  if (!span) throw new Error("The scene has no span.");
  const drawn = [...everyNode(displayListAt(prepared, ticksOf(settledTime(span))))].filter(
    (node) => node.kind === "picture" && node.media === TEST_LOGO.id,
  );
  expect(drawn).toHaveLength(1);
  const [node] = drawn;
  // On a plate or not, it stands in the middle of its place, in its own proportions.
  if (node?.kind !== "picture") throw new Error("The logo is not drawn.");
  expect(middle(node.place).x).toBeCloseTo(middle(PLACE).x, 6);
  expect(node.place.width / node.place.height).toBeCloseTo(TEST_LOGO.width / TEST_LOGO.height, 6);
});

test("the logo of a sign-off, which stands among its words, leaves them when it is placed", async () => {
  const document = testDocument();
  const before = await marksIn(document, withLogo, "square");
  const last = before.marks.length - 1;
  const scene = before.marks[last]?.[0]?.scene ?? "";
  expect(before.marks[last]).toHaveLength(1);
  const { marks } = await marksIn(
    after(document, placeMark({ mark: "logo", scene }, "square", PLACE)),
    withLogo,
    "square",
  );
  expect(marks[last]?.map(({ place }) => middle(place))).toEqual([middle(PLACE)]);
});

test("a logo that is not shown is not shown by being placed", async () => {
  const document = testDocument();
  const { marks } = await marksIn(document, withLogo, "square");
  const scene = marks.flat()[0]?.scene ?? "";
  const hidden = after(
    document,
    placeMark({ mark: "logo", scene }, "square", PLACE),
    adjust("logo", false, { target: { scene } }),
  );
  expect((await marksIn(hidden, withLogo, "square")).marks.flat().some((mark) => mark.scene === scene)).toBe(false);
});

test("a watermark placed in one scene can stand so in every scene; given back, it is where it was, in two steps", async () => {
  const document = testDocument();
  const before = await marksIn(document, marked, "square");
  const [first, second] = before.marks.flat().filter(({ mark }) => mark === "watermark");
  const at = { mark: "watermark", scene: first?.scene ?? "" } as const;
  const other = { mark: "watermark", scene: second?.scene ?? "" } as const;
  expect(placeMarkEverywhere(document, at)).toBeNull();
  expect(giveMarkBack(document, at)).toBeNull();
  const both = after(
    document,
    placeMark(at, "square", PLACE),
    // What another scene had of its own gives way.
    placeMark(other, "square", rect(10, 10, 50, 50)),
  );
  const everywhere = after(both, placeMarkEverywhere(both, at));
  const { marks } = await marksIn(everywhere, marked, "square");
  const watermarks = marks.flat().filter(({ mark }) => mark === "watermark");
  expect(watermarks.length).toBeGreaterThan(1);
  for (const { place } of watermarks) expect(middle(place)).toEqual(middle(PLACE));
  // The sign-off's logo is no watermark, and another format is none of its business.
  const logos = ({ marks: all }: typeof before) => all.flat().filter(({ mark }) => mark === "logo");
  expect(logos(await marksIn(everywhere, marked, "square"))).toEqual(logos(before));
  expect((await marksIn(everywhere, marked, "vertical")).marks).toEqual(
    (await marksIn(document, marked, "vertical")).marks,
  );

  const own = after(everywhere, placeMark(at, "square", rect(500, 500, 100, 100)));
  const once = after(own, giveMarkBack(own, at));
  expect(once).toEqual(everywhere);
  expect(after(once, giveMarkBack(once, at))).toEqual(document);
});

test("a watermark placed over words stays where it was put, while one that looks for room goes round them", async () => {
  const document = testDocument();
  const { prepared, marks } = await marksIn(document, marked, "square");
  const at = marks.findIndex((some) => some.some(({ mark }) => mark === "watermark"));
  const words = prepared.scenes[at]?.slots.find(({ kind, place }) => kind === "words" && place.width > 0);
  const scene = marks[at]?.[0]?.scene ?? "";
  if (!words) throw new Error("The scene has no words.");
  const placed = after(document, placeMark({ mark: "watermark", scene }, "square", words.place));
  const mark = (await marksIn(placed, marked, "square")).marks[at]?.[0]?.place ?? rect(0, 0, 0, 0);
  expect(middle(mark).x).toBeCloseTo(middle(words.place).x, 6);
  expect(middle(mark).y).toBeCloseTo(middle(words.place).y, 6);
  expect(mark.width).toBeLessThanOrEqual(formatOf("square").width);
});

test("moves that come quicker than they are shown add up; a pulled side grows the mark in its proportions", () => {
  const at = { mark: "logo", scene: "hook" } as const;
  const shown = rect(100, 100, 200, 80);
  const right = { ...shown, x: 110 };
  const stepped = [1, 2, 3].reduce<Promotion>(
    (document) => applyEdit(document, moveMark(document, at, { format: "square", from: shown, to: right })),
    testDocument(),
  );
  expect(stepped.adjustments["hook@square"]?.logoPlace).toEqual(rect(130, 100, 200, 80));
  // The right edge half as far again, its left one standing.
  const wider = { ...shown, width: 300 };
  const grown = applyEdit(stepped, moveMark(stepped, at, { format: "square", from: shown, to: wider }));
  expect(grown.adjustments["hook@square"]?.logoPlace).toEqual(rect(130, 80, 300, 120));
  // What is rounded to half a unit is no pull.
  const rounded = applyEdit(
    stepped,
    moveMark(stepped, at, { format: "square", from: { ...shown, width: 199.6 }, to: shown }),
  );
  expect(rounded.adjustments["hook@square"]?.logoPlace).toMatchObject({ width: 200, height: 80 });
});

test("a flat mark keeps its size and middle when it is moved, in a place that can be kept", () => {
  const at = { mark: "logo", scene: "hook" } as const;
  const flat = rect(100, 100, 200, 10);
  const moved = (document: Promotion, to: Rect) =>
    applyEdit(document, moveMark(document, at, { format: "square", from: flat, to }));
  const once = moved(testDocument(), { ...flat, y: 120 });
  const place = readPromotion(once).adjustments["hook@square"]?.logoPlace ?? rect(0, 0, 0, 0);
  expect(place.width).toBe(200);
  expect(middle(place)).toEqual({ x: 200, y: 125 });
  // Pulled together until hardly anything is left, its place can still be kept.
  const least = moved(once, { ...flat, width: 1, height: 0.05 });
  expect(() => readPromotion(least)).not.toThrow();
});
