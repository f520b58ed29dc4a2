import { aligned } from "../geometry/arrangeSeveral";
import { rect } from "../geometry/rect";
import { formatOf } from "../placement/formats";
import { defined } from "../testing/defined";
import { testDocument } from "../testing/promotions";
import { type Edit } from "./edit";
import { adjust, applyEdit, inverseOf, putItem } from "./edits";
import { itemSourced } from "./itemsShown";
import { type Promotion, readPromotion } from "./promotion";
import { arrangeItems, equalSizes } from "./severalItems";

const sticker = (id: string, x: number, size: number): readonly Edit[] => [
  putItem(id, { kind: "sticker", sticker: "tick", order: `a${id}`, from: "hook", to: "hook" }),
  adjust("at", { x, y: 0.4 }, { target: { item: id } }),
  adjust("size", size, { target: { item: id } }),
];
const document = [...sticker("b1", 0.2, 0.1), ...sticker("b2", 0.5, 0.2)].reduce(applyEdit, testDocument());
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
    arrangeItems(document, ["b1", "b2"], [placesIn("square"), placesIn("vertical")], {
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
  expect(arrangeItems(document, ["b1", "b2"], [placesIn("square")], { label: "x", change: (all) => all })).toBeNull();
});

test("the first one's size is given to the others, for all formats at once", () => {
  const edit = defined(equalSizes(document, ["b1", "b2"]));
  const after = applyEdit(document, edit);
  expect(valueIn(after, "b2", "size", "square")).toBe(0.1);
  expect(Object.keys(after.adjustments)).toEqual(Object.keys(document.adjustments));
  expect(equalSizes(after, ["b1", "b2"])).toBeNull();
});

test("a size of its own in one format is met there too", () => {
  const own = applyEdit(
    document,
    adjust("size", 0.6, { target: { item: "b2" }, layer: "scene@format", format: "vertical" }),
  );
  const after = applyEdit(own, defined(equalSizes(own, ["b1", "b2"])));
  expect([valueIn(after, "b2", "size", "square"), valueIn(after, "b2", "size", "vertical")]).toEqual([0.1, 0.1]);
});
