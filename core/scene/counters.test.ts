import { createHash } from "node:crypto";
import { adjust, applyEdit, putItem } from "../document/edits";
import { type Edit } from "../document/edit";
import { type Facts } from "../document/facts";
import { type Item } from "../document/items";
import { promotionProblem } from "../document/locks";
import { resolvePromotion } from "../document/resolve";
import { NO_STANDING } from "../document/standing";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { paintedText } from "./paintedText";
import { type PreparedItem } from "./prepared";
import { preparePromotion } from "./preparePromotion";
import { sceneAt } from "./sceneAt";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const TARGET = { target: { item: "1" } };
const BARE = { order: "a1", from: "hook", to: "hook" } as const;
const counter = (change: Partial<Extract<Item, { kind: "counter" }>> = {}): Edit =>
  putItem("1", { kind: "counter", role: "figure", text: "# sold", start: 0, goal: 500, day: null, ...BARE, ...change });
const words = (text: string): Edit => putItem("1", { kind: "words", role: "figure", text, ...BARE });

async function prepared(facts: Facts, ...edits: readonly Edit[]): Promise<PreparedItem> {
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const [item] = preparePromotion(promotion, "square", book).items;
  if (!item) throw new Error("There is an item.");
  return item.what;
}
/** What is painted of it at a time, in short. */
const at = (item: PreparedItem, ms: number): string =>
  createHash("sha256")
    .update(JSON.stringify(sceneAt(item, ticksOf(ms))))
    .digest("hex");

test("a counter stands at its start, counts once it has come in, and ends at its goal for good", async () => {
  const item = await prepared(testFacts(), counter(), adjust("comes", "fade", TARGET));
  const times = [460, 700, 1000, 1500, 2000, 3000];
  const frames = times.map((ms) => at(item, ms));
  expect(new Set(frames.slice(0, 4)).size).toBe(4);
  // 450 ms to come in, 1500 to count.
  expect(frames[4]).toBe(frames[5]);
  expect(at(item, 1940)).not.toBe(frames[5]);
  const still = await prepared(
    testFacts(),
    counter(),
    adjust("comes", "still", TARGET),
    adjust("counts", millis(800), TARGET),
  );
  expect(at(still, 10)).not.toBe(at(still, 400));
  expect(at(still, 810)).toBe(at(still, 3000));
});

test("in the end it looks as words of the same text do, on their plate too; on its way it keeps its place", async () => {
  for (const plate of ["nothing", "card"] as const) {
    const looks = { plate, comes: "still", at: { x: 0.5, y: 0.4 }, size: 0.6 } as const;
    const set = Object.entries(looks).map(([field, value]) => adjust(field as keyof typeof looks, value, TARGET));
    const item = await prepared(testFacts(), counter({ start: 400 }), ...set);
    const plain = await prepared(testFacts(), words("500 sold"), ...set);
    const sizes = ({ place: { y, height } }: PreparedItem) => ({ y, height });
    expect(sizes(item)).toEqual(sizes(plain));
    // Its figures are all equally wide, those of words are not.
    expect(Math.abs(item.place.width / plain.place.width - 1)).toBeLessThan(0.03);
    expect(item.place.x + item.place.width / 2).toBeCloseTo(540, 6);
    const goal = await prepared(testFacts(), counter({ start: 400 }), ...set, adjust("counts", millis(0), TARGET));
    expect([goal.place, at(goal, 10)]).toEqual([item.place, at(item, 3000)]);
  }
});

test("to a date it counts the days from today; one that has passed ends at none", async () => {
  const on = (today: string): Facts => testFacts({ standing: { ...NO_STANDING, today } });
  const counted = async (facts: Facts, change: Partial<Extract<Item, { kind: "counter" }>>): Promise<string> =>
    paintedText(await prepared(facts, counter({ text: "# days", ...change }), adjust("counts", millis(0), TARGET)), {});
  const days = (goal: number): Promise<string> => counted(testFacts(), { goal });
  expect(await counted(on("2026-12-20"), { day: "2026-12-24" })).toBe(await days(4));
  expect(await counted(on("2026-12-23"), { day: "2026-12-24" })).toBe(await days(1));
  expect(await counted(on("2026-12-26"), { day: "2026-12-24" })).toBe(await days(0));
  // Where no day is known, as in a template, the goal stands for it.
  expect(await counted(testFacts(), { day: "2026-12-24", goal: 9 })).toBe(await days(9));
});

test("it has counted before it goes, however long it was to take", async () => {
  const item = await prepared(
    testFacts(),
    counter(),
    adjust("counts", millis(10_000), TARGET),
    adjust("comes", "fade", TARGET),
  );
  const goal = await prepared(
    testFacts(),
    counter(),
    adjust("counts", millis(0), TARGET),
    adjust("comes", "fade", TARGET),
  );
  // It goes in the last 300 ms, and has stood at its goal for half a second.
  expect(at(item, item.length - 790)).toBe(at(goal, item.length - 790));
  expect(at(item, item.length - 820)).not.toBe(at(goal, item.length - 820));
  expect(at(item, 2000)).not.toBe(at(goal, 2000));
});

test.each([
  [{ day: "24.12.2026" }, "A day is written as 2026-12-24."],
  [{ day: "2026-02-30" }, "A day is written as 2026-12-24."],
  [{ goal: 1.5 }, "Whole numbers are counted."],
])("a counter with %j is refused in words", (change, message) => {
  expect(() => applyEdit(testDocument(), counter(change))).toThrow(message);
});

test("anybody may count who may put something over a scene", () => {
  expect(promotionProblem(applyEdit(testDocument(), counter()), testFacts().templates)).toBeNull();
});
