import { adjust, applyEdit, fillSlot } from "../document/edits";
import { resolvePromotion } from "../document/resolve";
import { mediaFill } from "../document/shots";
import { preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts, testPicture } from "../testing/promotions";
import { msOf } from "../time/ticks";
import { millis } from "../units";
import { checkFrames, checkedSize } from "./frameChecks";
import { livelyFrames, livelyText } from "./livelyFrames";
import { type SlotKey } from "../document/sceneTemplate";

const OTHER_ID = "00000000-0000-4000-8000-000000000080";
const book = testBook();
/** Clips in the first two scenes. */
const clips = (["hook.picture", "product.picture"] as const).map((slot) => fillSlot(slot, mediaFill(CLIP_ID)));
const promotion = resolvePromotion(clips.reduce(applyEdit, testDocument()), testFacts());
const { scenes } = promotion;
await openWanted(book, () => fontFilesWanted(promotion, book));
const prepared = preparePromotion(promotion, "vertical", book);
const { width, height } = checkedSize("vertical");
const [BLACK, WHITE] = [0, 255].map((value) => new Uint8ClampedArray(width * height * 4).fill(value));

/** Frames that flash so often in each second, within a stretch of time, and are black else. */
const flashing =
  (perSecond: number, [from, to]: readonly [fromMs: number, toMs: number]) =>
  (time: Parameters<typeof msOf>[0]): Promise<Uint8ClampedArray> => {
    const ms = msOf(time);
    const isLight = ms >= from && ms < to && Math.floor((ms / 1000) * perSecond * 2) % 2 === 1;
    return Promise.resolve((isLight ? WHITE : BLACK) ?? new Uint8ClampedArray());
  };

test("frames are checked in the shape of their format, small", () => {
  expect(checkedSize("square")).toEqual({ width: 36, height: 36 });
  expect(checkedSize("widescreen")).toEqual({ width: 64, height: 36 });
  expect({ width, height }).toEqual({ width: 36, height: 64 });
});

test("what flashes is found with its scene and format, and must be mended", async () => {
  const [, second] = prepared.spans;
  if (!second) throw new Error("There is a second scene.");
  const frameAt = flashing(5, [second.entered, second.end]);
  const found = await checkFrames({ shapes: [{ prepared, frames: livelyFrames(prepared), frameAt }], scenes });
  expect(found).toMatchObject([
    {
      rule: "no-flashes",
      severity: "wrong",
      where: { scene: scenes[1]?.id, format: "vertical", slot: null },
      numbers: { flashesPerSecond: 5 },
    },
  ]);
});

test("three flashes in a second are let pass, and so is what stands still", async () => {
  expect(
    await checkFrames({
      shapes: [{ prepared, frames: livelyFrames(prepared), frameAt: flashing(3, [0, prepared.length]) }],
      scenes,
    }),
  ).toEqual([]);
  expect(
    await checkFrames({ shapes: [{ prepared, frames: livelyFrames(prepared), frameAt: flashing(0, [0, 0]) }], scenes }),
  ).toEqual([]);
});

test("who does not wait any more is given nothing, and no frame more is asked for", async () => {
  let asked = 0;
  const frameAt = flashing(5, [0, prepared.length]);
  const found = await checkFrames({
    shapes: [
      {
        prepared,
        frames: livelyFrames(prepared),
        frameAt(time) {
          asked++;
          return frameAt(time);
        },
      },
    ],
    scenes,
    isOver: () => asked >= 40,
  });
  expect([found, asked]).toEqual([null, 40]);
});

test("frames that show a clip are looked at, and those of a second with many pictures; what comes and goes once is not", () => {
  const frames = livelyFrames(prepared);
  const [first, second] = prepared.spans;
  // Thirty frames a second, to the end of the second scene.
  expect([frames[0], frames.at(-1)]).toEqual([0, Math.ceil(((second?.end ?? 0) * 30) / 1000) - 1]);
  expect(frames).toHaveLength((frames.at(-1) ?? 0) + 1);

  const still = resolvePromotion(testDocument(), testFacts());
  expect(livelyFrames(preparePromotion(still, "square", book))).toEqual([]);

  // Twelve stills in a scene of three seconds: four a second are calm, in a scene of one second they are not.
  const shots = Object.fromEntries(
    Array.from({ length: 12 }, (_, at) => [
      `s${at}`,
      { order: `a${at.toString(16)}`, media: at % 2 ? PICTURE_ID : OTHER_ID, held: 0 },
    ]),
  );
  const quick = applyEdit(testDocument(), fillSlot("hook.picture", { kind: "media", shots }));
  const other = { ...testFacts(), media: { ...testFacts().media, [OTHER_ID]: testPicture({ id: OTHER_ID }) } };
  const lengths = [3000, 1000].map((ms) => {
    const document = applyEdit(quick, adjust("length", millis(ms), { target: { scene: "hook" } }));
    return livelyFrames(preparePromotion(resolvePromotion(document, other), "square", book)).length;
  });
  expect(first?.end).toBeGreaterThan(1000);
  expect(lengths[0]).toBe(0);
  expect(lengths[1]).toBeGreaterThan(20);
});

test("two formats are gone through together, and each is told of by itself", async () => {
  const square = preparePromotion(promotion, "square", book);
  const asked: string[] = [];
  const still = new Uint8ClampedArray(36 * 36 * 4);
  const found = await checkFrames({
    shapes: [
      {
        prepared: square,
        frames: livelyFrames(square),
        frameAt(time) {
          asked.push(`square ${time}`);
          return Promise.resolve(still);
        },
      },
      {
        prepared,
        frames: livelyFrames(prepared),
        frameAt(time) {
          asked.push(`vertical ${time}`);
          return flashing(5, [0, prepared.length])(time);
        },
      },
    ],
    scenes,
  });
  expect(found?.map(({ where }) => where.format)).toEqual(["vertical"]);
  expect(asked.slice(0, 4).map((one) => one.split(" ")[0])).toEqual(["square", "vertical", "square", "vertical"]);
});

test("what changes no lively frame need not be looked at again; what lies over one does", async () => {
  const hashes = Object.fromEntries(Object.keys(testFacts().media).map((id) => [id, id]));
  const textWith = async (slot: SlotKey, text: string): Promise<string> => {
    const document = [...clips, fillSlot(slot, { kind: "words", text })].reduce(applyEdit, testDocument());
    const other = resolvePromotion(document, testFacts());
    await openWanted(book, () => fontFilesWanted(other, book));
    const shape = preparePromotion(other, "vertical", book);
    return livelyText(shape, livelyFrames(shape), hashes);
  };
  // Clips are in the first two scenes.
  expect(await textWith("hook.headline", "Come by")).not.toBe(await textWith("hook.headline", "Come in"));
  expect(await textWith("sign-off.call", "Come by")).toBe(await textWith("sign-off.call", "Come in"));
});
