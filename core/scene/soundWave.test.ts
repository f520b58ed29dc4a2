import { adjust, applyEdit, putItem } from "../document/edits";
import { type Edit } from "../document/edit";
import { type SoundFacts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, newMemory, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const SOUND = "00000000-0000-4000-8000-000000000077";
const book = testBook();
/** Silent for two seconds, then loud for two, again and again for 16 s. */
const sound: SoundFacts = {
  kind: "sound",
  id: SOUND,
  name: "tune.wav",
  length: 16_000,
  loudness: null,
  peak: null,
  levels: Array.from({ length: 320 }, (_, step) => (Math.floor(step / 40) % 2 === 0 ? 0 : 100)),
};
const facts = testFacts({ media: { ...testFacts().media, [SOUND]: sound } });
const TARGET = { target: { item: "1" } };
const wave = putItem("1", { kind: "wave", order: "a1", from: "hook", to: "sign-off" });
const withSound: Promotion = {
  ...testDocument(),
  lanes: { bed: { order: "a0", lane: "music", media: SOUND, fadeIn: millis(0), fadeOut: millis(0) } },
};

async function barsAt(ms: number, ...edits: readonly Edit[]): Promise<Extract<DisplayNode, { kind: "fill" }>[]> {
  const promotion = resolvePromotion([wave, ...edits].reduce(applyEdit, withSound), facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const shape = preparePromotion(promotion, "square", book);
  const bare = displayListAt({ ...shape, items: [] }, ticksOf(ms)).length;
  return [...everyNode(displayListAt(shape, ticksOf(ms)).slice(bare))].filter((node) => node.kind === "fill");
}
const heights = (bars: readonly { place: { height: number } }[]): number[] =>
  bars.map(({ place }) => Math.round(place.height));

test("bars are as high as it is loud around now: the left half was heard, the right half comes", async () => {
  // 700 × 0.08 of 1080: as high as that, or as wide as a bar where nothing is heard.
  const [silent, turning, loud] = [await barsAt(1000), await barsAt(2000), await barsAt(3000)];
  const all = Math.round(0.08 * 1080);
  expect(silent).toHaveLength(36);
  const dot = heights(silent)[18] ?? 0;
  expect(dot).toBeLessThan(all / 4);
  // It reaches 0.9 s to either side.
  expect(heights(silent)).toEqual(Array.from({ length: 36 }, () => dot));
  expect(heights(loud)).toEqual(Array.from({ length: 36 }, () => all));
  expect(heights(turning).slice(0, 17)).toEqual(Array.from({ length: 17 }, () => dot));
  expect(heights(turning).slice(19)).toEqual(Array.from({ length: 17 }, () => all));
  const [first, last] = [turning[0], turning.at(-1)];
  expect(first?.ink).not.toEqual(last?.ink);
  // They stay in one line, evenly spread.
  const middles = turning.map(({ place }) => place.y + place.height / 2);
  expect(Math.max(...middles) - Math.min(...middles)).toBeLessThan(1e-6);
});

test("a wave that begins later shows the same moment of the sound; half seen it is half seen", async () => {
  const later = await barsAt(6000, adjust("starts", millis(1300), TARGET));
  expect(heights(later)).toEqual(heights(await barsAt(6000)));
  const half = await barsAt(6000, adjust("opacity", 0.5, TARGET));
  expect(half[0]?.ink).toMatch(/, 0\.5\)$/);
  expect(half.at(-1)?.ink).toMatch(/, 0\.225\)$/);
});

test("another sound, or the same moved, is prepared anew; nothing else is", async () => {
  const memory = newMemory();
  const preparedWith = async (document: Promotion) => {
    const promotion = resolvePromotion(document, facts);
    await openWanted(book, () => fontFilesWanted(promotion, book));
    return preparePromotion(promotion, "square", book, memory).items[0]?.what;
  };
  const before = applyEdit(withSound, wave);
  const first = await preparedWith(before);
  expect(await preparedWith({ ...before, name: "Another" })).toBe(first);
  const moved = { ...before, lanes: { bed: { order: "a0", lane: "effects", media: SOUND, at: millis(500) } } } as const;
  expect(await preparedWith(moved)).not.toBe(first);
});
