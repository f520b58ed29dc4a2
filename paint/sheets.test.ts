import fc from "fast-check";
import { type Rect, overlaps, rect } from "../core/geometry/rect";
import { type Surface } from "./resources";
import { type SheetPlace, sheetsOf } from "./sheets";

const SIDE = 100;
/** A surface that only knows how often it was wiped. */
function surface(): Surface & { wiped: number } {
  const made = { width: SIDE, height: SIDE, wiped: 0, image: {}, context: {} };
  made.context = { clearRect: () => made.wiped++ };
  return made as unknown as Surface & { wiped: number };
}

test("things lie beside each other, never on each other, and never over an edge; what is dropped is told once", () => {
  const size = fc.record({ width: fc.integer({ min: 1, max: SIDE }), height: fc.integer({ min: 1, max: SIDE }) });
  fc.assert(
    fc.property(fc.array(size, { maxLength: 60 }), fc.integer({ min: 1, max: 4 }), (sizes, most) => {
      let opened = 0;
      const kept = new Map<number, SheetPlace<number>>();
      const sheets = sheetsOf<number>(
        most,
        () => {
          opened++;
          return surface();
        },
        (thing) => expect(kept.delete(thing)).toBe(true),
      );
      sizes.forEach((one, thing) => {
        const place = sheets.place(thing, one);
        expect(place.x + place.width).toBeLessThanOrEqual(SIDE);
        expect(place.y + place.height).toBeLessThanOrEqual(SIDE);
        const own: Rect = rect(place.x, place.y, place.width, place.height);
        for (const other of kept.values())
          if (other.sheet === place.sheet)
            expect(overlaps(own, rect(other.x, other.y, other.width, other.height))).toBe(false);
        kept.set(thing, place);
      });
      expect(opened).toBeLessThanOrEqual(most);
    }),
  );
});

test("the oldest sheet is wiped before it is used again, and what lies on the others stays", () => {
  const opened: (Surface & { wiped: number })[] = [];
  const dropped: string[] = [];
  const sheets = sheetsOf<string>(
    2,
    () => {
      const one = surface();
      opened.push(one);
      return one;
    },
    (thing) => dropped.push(thing),
  );
  const whole = { width: SIDE, height: SIDE };
  sheets.place("a", whole);
  sheets.place("b", whole);
  expect(dropped).toEqual([]);
  const { sheet } = sheets.place("c", whole);
  expect(dropped).toEqual(["a"]);
  expect(sheet.surface).toBe(opened[0]);
  expect(opened.map(({ wiped }) => wiped)).toEqual([1, 0]);
});

test("a sheet that was opened ahead is the next one; as many as there may be are opened, and none twice", () => {
  let opened = 0;
  const sheets = sheetsOf<string>(
    2,
    () => {
      opened++;
      return surface();
    },
    () => undefined,
  );
  const whole = { width: SIDE, height: SIDE };
  sheets.prepare();
  sheets.prepare();
  expect(opened).toBe(1);
  sheets.place("a", whole);
  expect(opened).toBe(1);
  sheets.prepare();
  expect(opened).toBe(2);
  sheets.place("b", whole);
  sheets.prepare();
  sheets.place("c", whole);
  expect(opened).toBe(2);
});
