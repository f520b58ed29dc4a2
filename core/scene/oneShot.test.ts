import { mediaFill } from "../document/shots";
import { adjust, applyEdit } from "../document/edits";
import { type Adjustment } from "../document/fields";
import { type Fill, type Promotion } from "../document/promotion";
import { type SlotKey } from "../document/sceneTemplate";
import { resolvePromotion } from "../document/resolve";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { FPS_30 } from "../time/frames";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type DisplayList, type DisplayNode, everyNode } from "./displayList";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const facts = testFacts({
  media: {
    ...testFacts().media,
    [PICTURE_ID]: testPicture({ id: PICTURE_ID }),
    [CLIP_ID]: testClip({ frames: 600, rate: FPS_30, hasSound: true }),
  },
});
const SECTIONS = ["one", "two", "three"] as const;

/** Three sections with the same heading, each with a line of its own; the second and third go on. */
function sections(media: string, set: Adjustment = {}): Promotion {
  const base = testDocument();
  const product = defined(base.scenes["product"]);
  const document: Promotion = {
    ...base,
    scenes: Object.fromEntries(SECTIONS.map((id, at) => [id, { ...product, order: `a${at}` }])),
    fills: Object.fromEntries(
      SECTIONS.flatMap((id): [SlotKey, Fill][] => [
        [`${id}.name`, { kind: "words", text: "Three ways to repot" }],
        [`${id}.line`, { kind: "words", text: `Way ${id}` }],
        [`${id}.picture`, mediaFill(media)],
      ]),
    ),
    adjustments: {},
  };
  return SECTIONS.flatMap((id, at) => [
    adjust("length", millis(3000), { target: { scene: id } }),
    adjust("overlap", millis(600), { target: { scene: id } }),
    ...(at > 0 ? [adjust("goesOn", true, { target: { scene: id } })] : []),
    ...(set.transition ? [adjust("transition", set.transition, { target: { scene: id } })] : []),
  ]).reduce(applyEdit, document);
}

async function prepared(document: Promotion) {
  const book = testBook();
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, "square", book);
}
const at = (shape: Awaited<ReturnType<typeof prepared>>, ms: number): DisplayList => displayListAt(shape, ticksOf(ms));
const textOf = (nodes: readonly DisplayNode[]): string =>
  JSON.stringify(nodes, (key, value: unknown) => (key === "use" ? undefined : value));

/** What stands still at the settled moment of the first section and is a heading: the part whose words all sections share. */
async function heading(shape: Awaited<ReturnType<typeof prepared>>): Promise<string> {
  const scene = defined(shape.scenes[0]);
  const slot = defined(scene.slots.find(({ text }) => text === "Three ways to repot"));
  const part = defined(
    scene.parts.find((one) => one.kind === "moving" && one.atRest.bounds.y <= slot.place.y && one.staysOn),
  );
  if (part.kind !== "moving") throw new Error("A heading moves.");
  return Promise.resolve(textOf([part.atRest]).slice(1, -1));
}

test.each(["crossfade", "push", "wipe", "dip"] as const)(
  "over a %s a heading that both sections show stands once, as it stood, above the join; their lines change",
  async (transition) => {
    const shape = await prepared(sections(PICTURE_ID, { transition }));
    const stands = await heading(shape);
    // Sections begin at 0, 2.4 and 4.8 s; joins are there from 2.4 to 3 and 4.8 to 5.4 s.
    for (const ms of [1500, 2400, 2500, 2700, 2950, 3000, 3600, 4900, 5100, 5390, 6000]) {
      const list = at(shape, ms);
      expect(list.filter((node) => textOf([node]).slice(1, -1) === stands)).toHaveLength(1);
      expect(textOf(list).split(stands)).toHaveLength(2);
    }
    // What each section has alone, its line, is there in it and not in the other.
    const [first, second] = [0, 1].map((index) =>
      defined(shape.scenes[index]).parts.flatMap((part) =>
        part.kind === "moving" && !part.wasThere && !part.staysOn ? [textOf([part.atRest]).slice(1, -1)] : [],
      ),
    );
    const shows = (ms: number, lines: readonly string[] | undefined): boolean[] =>
      defined(lines).map((line) => textOf(at(shape, ms)).includes(line));
    expect([shows(1500, first), shows(1500, second)]).toEqual([[true], [false]]);
    expect([shows(4200, first), shows(4200, second)]).toEqual([[false], [true]]);
  },
);

test("where sections are not one shot, the heading leaves with the first and comes again with the second", async () => {
  const document = SECTIONS.map((id) => adjust("goesOn", null, { target: { scene: id } })).reduce(
    applyEdit,
    sections(PICTURE_ID),
  );
  const shape = await prepared(document);
  expect(shape.scenes.flatMap(({ parts }) => parts).some(({ wasThere, staysOn }) => wasThere || staysOn)).toBe(false);
});

test("a still that zooms slowly goes on over both joins, without a jump and without beginning again", async () => {
  const shape = await prepared(sections(PICTURE_ID));
  /** How wide a part of the picture is seen: of the section that comes, where two are on screen. */
  const seen = (ms: number): number => {
    const pictures = [...everyNode(at(shape, ms))].filter(
      (node) => node.kind === "picture" && node.media === PICTURE_ID,
    );
    const last = pictures.at(-1);
    return last?.kind === "picture" ? last.part.width : 0;
  };
  const widths = Array.from({ length: 74 }, (_, step) => seen(step * 100));
  const steps = widths.slice(1).map((width, index) => width - (widths[index] ?? 0));
  expect(Math.abs((widths.at(-1) ?? 0) - (widths[0] ?? 0))).toBeGreaterThan(1);
  expect(Math.max(...steps.map(Math.abs))).toBeLessThan(
    (3 * Math.abs((widths.at(-1) ?? 0) - (widths[0] ?? 0))) / steps.length,
  );
  expect(new Set(steps.map(Math.sign).filter((sign) => sign !== 0)).size).toBe(1);
});

test("a clip that both show goes on, in sight and in sound", async () => {
  const document = sections(CLIP_ID);
  const shape = await prepared(document);
  const frames = (ms: number): number[] =>
    [...everyNode(at(shape, ms))].flatMap((node) => (node.kind === "clip" ? [node.frame] : []));
  // Alone, in a join, alone in the second, in the third: always the frame of that time.
  expect([frames(1000), frames(4000), frames(7000)]).toEqual([[30], [120], [210]]);
  expect(frames(2700)).toEqual([81, 81]);
  const { mix } = resolvePromotion(document, facts);
  expect(mix.track.map(({ what }) => what.position / 48_000)).toEqual([0, 2.4, 4.8]);
  // Alone it begins again.
  const cut = resolvePromotion(applyEdit(document, adjust("goesOn", null, { target: { scene: "three" } })), facts);
  expect(cut.mix.track.map(({ what }) => what.position / 48_000)).toEqual([0, 2.4, 0]);
});
