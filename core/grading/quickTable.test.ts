import { randomFrom } from "../testing/randomFrom";
import { LOOK_NAMES } from "./looks";
import { applyTable, compileTable } from "./lookupTable";
import { quickTable } from "./quickTable";
import { tableOf } from "../document/look";
import { defined } from "../testing/defined";

/** Pixels of every kind, opaque. */
function pixels(count: number): Uint8ClampedArray {
  const random = randomFrom(7);
  return Uint8ClampedArray.from({ length: count * 4 }, (_, at) => (at % 4 === 3 ? 255 : Math.floor(random() * 256)));
}
const differences = (one: Uint8ClampedArray, other: Uint8ClampedArray): number[] =>
  Array.from(one, (value, at) => Math.abs(value - (other[at] ?? 0)));

test.each(LOOK_NAMES)("%s looks the same as by its exact table, to a step that nobody sees", (look) => {
  const table = defined(tableOf([{ kind: "look", look, strength: 1 }]));
  const [exact, quick] = [pixels(20_000), pixels(20_000)];
  applyTable(exact, table);
  quickTable(table).apply(quick);
  const apart = differences(exact, quick);
  expect(apart.reduce((sum, one) => sum + one, 0) / apart.length).toBeLessThan(0.75);
  expect(Math.max(...apart)).toBeLessThanOrEqual(4);
});

test("black stays black, white stays white, and what was met before is found again", () => {
  const same = quickTable(compileTable("same", (color) => color));
  const made = Uint8ClampedArray.of(0, 0, 0, 255, 255, 255, 255, 255, 128, 64, 33, 255);
  same.apply(made);
  expect([...made.slice(0, 8)]).toEqual([0, 0, 0, 255, 255, 255, 255, 255]);
  const again = made.slice();
  same.apply(again);
  expect([...again]).toEqual([...made]);
});
