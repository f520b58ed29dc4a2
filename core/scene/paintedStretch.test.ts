import fc from "fast-check";
import isEqual from "fast-deep-equal/es6/index.js";
import { FOR_ALL, adjust, applyEdit, editTo, fillSlot, putCaption, putItem } from "../document/edits";
import { type Edit } from "../document/edit";
import { type FieldId } from "../document/fields";
import { JOINS } from "../document/joins";
import { resolvePromotion } from "../document/resolve";
import { repeatScene } from "../document/restructure";
import { mediaFill } from "../document/shots";
import { type SlotKey } from "../document/sceneTemplate";
import { PIECES } from "../motion/movement";
import { EXITS, MOTIONS } from "../motion/wordMotion";
import { WHILES } from "../motion/whileShown";
import { RUNS } from "../testing/sample";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts } from "../testing/promotions";
import { FPS_30, frameCount } from "../time/frames";
import { type Ticks, frameStart, ticksOf } from "../time/ticks";
import { turns } from "../time/tracks";
import { millis } from "../units";
import { type DisplayList } from "./displayList";
import { paintedStretch } from "./paintedText";
import { type PreparedPromotion, displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const hashes = { [PICTURE_ID]: "a".repeat(64), [CLIP_ID]: "b".repeat(64) };

async function prepared(edits: readonly Edit[]): Promise<PreparedPromotion> {
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, "square", book);
}
const words = (slot: SlotKey, text: string): Edit => fillSlot(slot, { kind: "words", text });
const item = (text: string, from = "product", to = "product"): Edit[] => [
  putItem("1", { kind: "words", role: "line", text, order: "a1", from, to }),
];
const caption = (text: string): Edit[] => [
  putCaption("1", { from: millis(2900), to: millis(4200), text, language: "en" }),
  adjust("captionsIn", "en", FOR_ALL),
];
const shownAt = (shape: PreparedPromotion, times: readonly Ticks[]): DisplayList[] =>
  times.map((time) => displayListAt(shape, time));

/** The starts of the frames of a promotion, so many in a row at most, with no scene, item or caption that comes or goes among them. */
function stretches({ track, items, ending, length }: PreparedPromotion, most: number): Ticks[][] {
  const edges = turns([track, items, ending]);
  const found: Ticks[][] = [];
  let until = -Infinity;
  for (let frame = 0; frame < frameCount(length, FPS_30); frame++) {
    const at = frameStart(frame, FPS_30);
    const last = found.at(-1);
    if (last && at < until && last.length < most) last.push(at);
    else found.push([at]);
    until = edges.find((edge) => edge > at) ?? Infinity;
  }
  return found;
}

describe("while a scene comes in", () => {
  const start = 3000;
  const frames = (from: number, to: number): Ticks[] =>
    [90, 93, 96, 99, 101, 102, 103, 104].flatMap((frame) =>
      frame >= from && frame < to ? [frameStart(frame, FPS_30)] : [],
    );
  const [early, late, all] = [frames(90, 102), frames(102, 105), frames(90, 105)];
  const told = async (times: readonly Ticks[], ...edits: readonly Edit[]): Promise<string> =>
    paintedStretch(await prepared(edits), times, hashes);

  test("its words have a part in what is painted from when they come, and those that go until they have gone", async () => {
    const shape = await prepared([]);
    expect(defined(shape.spans[1])).toMatchObject({ start, entered: 3500 });
    for (const [edit, parts] of [
      [words("product.name", "Another pot"), [false, true, true]],
      [words("hook.headline", "Another headline"), [true, true, true]],
      [words("offer.terms", "Another scene"), [false, false, false]],
    ] as const) {
      const changed = await Promise.all(
        [early, late, all].map(async (times) => (await told(times, edit)) !== (await told(times))),
      );
      expect(changed).toEqual(parts);
    }
  });

  test("words that have gone before it have a part in it as long as they are seen", async () => {
    const gone = adjust("goesBefore", millis(250), { target: { scene: "product", slot: "line" } });
    // As high as each other, so that nothing else moves.
    const [one, other] = [words("product.line", "One"), words("product.line", "Ore")];
    const from = (first: number): Ticks[] => [first, 209].map((frame) => frameStart(frame, FPS_30));
    const changed = [from(195), from(202), from(203)].map(
      async (times) => (await told(times, gone, one)) !== (await told(times, gone, other)),
    );
    expect(await Promise.all(changed)).toEqual([true, true, false]);
  });

  test("what lies over it has a part in it, too, as soon as it is seen", async () => {
    for (const over of [item, caption])
      expect(await told(all, ...over("One"))).not.toBe(await told(all, ...over("Another")));
    const soon = [ticksOf(start)];
    expect(await told(soon, ...item("One"))).toBe(await told(soon, ...item("Another")));
  });

  test("where it is one shot with the scene before, words that stay over the join are seen all along", async () => {
    const again = editTo(testDocument(), repeatScene(testDocument(), "product"), "");
    const goesOn = adjust("goesOn", true, { target: { scene: "product-2" } });
    const seen = (...edits: readonly Edit[]): Promise<string> => told([ticksOf(6550)], again, goesOn, ...edits);
    expect(await seen(words("product-2.line", "One"))).toBe(await seen(words("product-2.line", "Another")));
    const both = (text: string): Edit[] => [words("product.name", text), words("product-2.name", text)];
    expect(await seen(...both("One"))).not.toBe(await seen(...both("Another")));
  });
});

const SCENES = ["hook", "product", "offer", "sign-off"] as const;
const inScenes = <Id extends FieldId>(field: Id, values: readonly Parameters<typeof adjust<Id>>[1][]): Edit[][] =>
  SCENES.flatMap((scene) => values.map((value) => [adjust(field, value, { target: { scene } })]));
const SETTINGS: readonly Edit[][] = [
  ...inScenes("transition", JOINS),
  ...inScenes("motion", MOTIONS),
  ...inScenes("goes", EXITS),
  ...inScenes("pieces", PIECES),
  ...inScenes("wordsMove", WHILES),
  ...inScenes("goesOn", [true]),
  ...inScenes("zoom", [false]),
  ...inScenes("ground", ["primary", "sale"]),
  ...inScenes("pause", [200, 900].map(millis)),
  ...inScenes("overlap", [0, 300, 1200].map(millis)),
];
const TEXTS = ["One", "Two words", "Words that take more than a single line to say what they say"];
const FILLS: readonly Edit[][] = [
  ...TEXTS.flatMap((text) => [
    ...(["hook.headline", "product.name", "product.line", "offer.terms", "sign-off.call"] as const).map((slot) => [
      words(slot, text),
    ]),
    ...SCENES.map((from) => item(text, from, "sign-off")),
    caption(text),
  ]),
  ...[PICTURE_ID, CLIP_ID].flatMap((media) =>
    (["hook.picture", "product.picture"] as const).map((slot) => [fillSlot(slot, mediaFill(media))]),
  ),
];

test("stretches that are told alike are shown alike in every frame, however things come, go and join", async () => {
  const [setting, filled] = [fc.constantFrom(...SETTINGS), fc.constantFrom(...FILLS)];
  let alike = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.oneof(setting, filled), { minLength: 2, maxLength: 6 }),
      fc.oneof({ weight: 1, arbitrary: setting }, { weight: 3, arbitrary: filled }),
      fc.integer({ min: 1, max: 12 }),
      async (edits, change, most) => {
        const [before, after] = [await prepared(edits.flat()), await prepared([...edits.flat(), ...change])];
        const known = new Map(
          stretches(before, most).map((times) => [paintedStretch(before, times, hashes), times] as const),
        );
        for (const times of stretches(after, most)) {
          const same = known.get(paintedStretch(after, times, hashes));
          if (same?.length !== times.length) continue;
          alike++;
          expect(isEqual(shownAt(after, times), shownAt(before, same))).toBe(true);
        }
      },
    ),
    { numRuns: 8 * RUNS },
  );
  expect(alike).toBeGreaterThan(100);
});
