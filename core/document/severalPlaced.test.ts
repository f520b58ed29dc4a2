import { aligned } from "../geometry/arrangeSeveral";
import { rect } from "../geometry/rect";
import { formatOf } from "../placement/formats";
import { defined } from "../testing/defined";
import { testDocument } from "../testing/promotions";
import { type Edit } from "./edit";
import { adjust, applyEdit, inverseOf, putItem } from "./edits";
import { markKey } from "./brandMark";
import { itemKey } from "./itemKey";
import { itemSourced } from "./itemsShown";
import { type Promotion, readPromotion } from "./promotion";
import { type PlacedKey } from "./placedKey";
import { arrangePlaced, equalSizes } from "./severalPlaced";

const sticker = (id: string, x: number, size: number): readonly Edit[] => [
  putItem(id, { kind: "sticker", sticker: "tick", order: `a${id}`, from: "hook", to: "hook" }),
  adjust("at", { x, y: 0.4 }, { target: { item: id } }),
  adjust("size", size, { target: { item: id } }),
];
const document = [...sticker("b1", 0.2, 0.1), ...sticker("b2", 0.5, 0.2)].reduce(applyEdit, testDocument());
const BOTH: readonly PlacedKey[] = [itemKey("b1"), itemKey("b2")];
const valueIn = (of: Promotion, id: string, field: "at" | "size", format: "square" | "vertical") =>
  itemSourced(of, field, { itemId: id, item: defined(of.items[id]), format }).value;

/** Squares of a size around where the two stand in a format. */
const placesIn = (format: "square" | "vertical") => {
  const { width, height } = formatOf(format);
  return {
    format,
    places: [
      rect(0.2 * width - 50, 0.4 * height - 50, 100, 100),
      rect(0.5 * width - 100, 0.4 * height - 100, 200, 200),
    ],
  };
};

test("items are aligned in each format by its own places, in one step that can be taken back", () => {
  const edit = defined(
    arrangePlaced(document, BOTH, [placesIn("square"), placesIn("vertical")], {
      label: "x",
      change: (all) => aligned(all, "right"),
    }),
  );
  const after = applyEdit(document, edit);
  for (const format of ["square", "vertical"] as const) {
    const { width } = formatOf(format);
    // Their right edges are in line: half a width to the right of each middle.
    const [one, other] = (["b1", "b2"] as const).map((id) => valueIn(after, id, "at", format) as { x: number });
    expect((one?.x ?? 0) * width + 50).toBeCloseTo((other?.x ?? 0) * width + 100, 0);
    expect((valueIn(after, "b1", "at", format) as { y: number }).y).toBeCloseTo(0.4, 6);
  }
  expect(readPromotion(after)).toEqual(after);
  expect(JSON.stringify(applyEdit(after, inverseOf(document, edit)))).toBe(JSON.stringify(document));
});

test("where nothing moves there is no edit", () => {
  expect(arrangePlaced(document, BOTH, [placesIn("square")], { label: "x", change: (all) => all })).toBeNull();
});

test("the first one's size is given to the others, for all formats at once", () => {
  const edit = defined(equalSizes(document, BOTH, []));
  const after = applyEdit(document, edit);
  expect(valueIn(after, "b2", "size", "square")).toBe(0.1);
  expect(Object.keys(after.adjustments)).toEqual(Object.keys(document.adjustments));
  expect(equalSizes(after, BOTH, [])).toBeNull();
});

test("a size of its own in one format is met there too", () => {
  const own = applyEdit(
    document,
    adjust("size", 0.6, { target: { item: "b2" }, layer: "scene@format", format: "vertical" }),
  );
  const after = applyEdit(own, defined(equalSizes(own, BOTH, [])));
  expect([valueIn(after, "b2", "size", "square"), valueIn(after, "b2", "size", "vertical")]).toEqual([0.1, 0.1]);
});

test("a slot, an item and the logo are put in line together, each kept where its kind is kept", () => {
  const keys: readonly PlacedKey[] = ["hook.headline", itemKey("b1"), markKey("logo", "hook")];
  const places = [rect(100, 700, 400.3, 120), rect(300, 100, 100, 100), rect(700, 300, 200, 80)];
  const edit = defined(
    arrangePlaced(document, keys, [{ format: "square", places }], {
      label: "x",
      change: (all) => aligned(all, "left"),
    }),
  );
  const after = applyEdit(document, edit);
  // The headline stood at the left already.
  expect(after.adjustments["hook.headline@square"]).toBeUndefined();
  expect(after.adjustments["hook@square"]?.logoPlace).toEqual(rect(100, 300, 200, 80));
  const moved = valueIn(after, "b1", "at", "square") as { x: number };
  expect(moved.x).toBeCloseTo(0.2 - 200 / 1080, 3);

  const centred = applyEdit(
    document,
    defined(
      arrangePlaced(document, keys, [{ format: "square", places }], {
        label: "x",
        change: (all) => aligned(all, "centre"),
      }),
    ),
  );
  // In the middle of the box around all, 100 to 900; never narrower than it was, or its words would be set smaller.
  const headline = defined(centred.adjustments["hook.headline@square"]?.place);
  expect(headline).toEqual(rect(300, 700, 400.5, 120));
  expect(readPromotion(centred)).toEqual(centred);
});

test("slots get the size of the first slot, in each format; an item and a logo among them keep theirs", () => {
  const keys: readonly PlacedKey[] = ["offer.offer", "offer.terms", itemKey("b1"), markKey("logo", "offer")];
  const places = [rect(100, 100, 300, 200), rect(100, 500, 120, 40), rect(0, 0, 100, 100), rect(0, 0, 90, 30)];
  const edit = defined(equalSizes(document, keys, [{ format: "vertical", places }]));
  const after = applyEdit(document, edit);
  expect(after.adjustments["offer.terms@vertical"]?.place).toEqual(rect(100, 500, 300, 200));
  expect(edit.patch).toHaveLength(1);
  expect(
    equalSizes(document, keys, [
      {
        format: "vertical",
        places: places.map((place, at) => (at === 1 ? { ...place, width: 300, height: 200 } : place)),
      },
    ]),
  ).toBeNull();
});
