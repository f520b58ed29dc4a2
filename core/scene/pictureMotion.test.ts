import { adjust, applyEdit } from "../document/edits";
import { type Edit } from "../document/edit";
import { resolvePromotion } from "../document/resolve";
import { RESTING } from "../motion/pictureMotion";
import { WHILES } from "../motion/whileShown";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { PICTURE_ID, testDocument, testFacts, testPicture } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const HOOK = { target: { scene: "hook" } };

async function prepared(edits: readonly Edit[], picture = testPicture({ id: PICTURE_ID })) {
  const book = testBook();
  const facts = testFacts({ media: { ...testFacts().media, [PICTURE_ID]: picture } });
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, "square", book);
}
type Prepared = Awaited<ReturnType<typeof prepared>>;
/** The container that a picture is drawn in at a time, from the outermost inwards; empty where it lies bare. */
function around(shape: Prepared, ms: number): DisplayNode[] {
  for (const node of displayListAt(shape, ticksOf(ms)))
    if ([...everyNode([node])].some((one) => one.kind === "picture" && one.media === PICTURE_ID))
      return [...everyNode([node])].filter((one) => one.kind === "clipped" || one.kind === "transformed");
  return [];
}
const isSeen = (shape: Prepared, ms: number): boolean =>
  [...everyNode(displayListAt(shape, ticksOf(ms)))].some((one) => one.kind === "picture" && one.media === PICTURE_ID);

test("a picture comes in by itself, rests, and goes before its scene does, within its place and over its ground", async () => {
  const shape = await prepared([
    adjust("zoom", false, HOOK),
    adjust("picturesCome", "drop", HOOK),
    adjust("picturesGo", "shrink", HOOK),
  ]);
  const length = defined(shape.spans[0]).end;
  expect(isSeen(shape, 0)).toBe(false);
  const coming = around(shape, 100);
  expect(coming.map(({ kind }) => kind)).toEqual(["clipped", "transformed"]);
  expect(coming[1]).toMatchObject({ kind: "transformed" });
  expect(around(shape, 1500)).toEqual([]);
  expect(around(shape, length - 100).map(({ kind }) => kind)).toEqual(["clipped", "transformed"]);
  // Where it is not seen its scene's ground is.
  const [first] = displayListAt(shape, ticksOf(0)).filter(({ kind }) => kind === "fill");
  expect(first).toMatchObject({ ink: testFacts().brand.palette.card });
});

test.each(WHILES.filter((one) => one !== "still"))("it can %s all the time, from where it stands", async (moves) => {
  const shape = await prepared([adjust("zoom", false, HOOK), adjust("picturesMove", moves, HOOK)]);
  const maps = [310, 730, 1190].map((ms) => JSON.stringify(around(shape, ms)[1]));
  expect(new Set(maps).size).toBe(3);
});

test("with its scene it lies there as it always did", async () => {
  const edits = [adjust("picturesCome", RESTING.comes, HOOK), adjust("picturesMove", "still", HOOK)];
  const [plain, same] = [await prepared([]), await prepared(edits)];
  for (const ms of [0, 100, 2000])
    expect(JSON.stringify(displayListAt(same, ticksOf(ms)))).toBe(JSON.stringify(displayListAt(plain, ticksOf(ms))));
});

test("what stands free comes nearer than its ground, and passes before it", async () => {
  const free = testPicture({ id: PICTURE_ID, cutOut: true });
  const shape = await prepared([adjust("depth", 1, HOOK)], free);
  const length = defined(shape.spans[0]).end;
  const maps = (ms: number) => around(shape, ms).filter((node) => node.kind === "transformed");
  const [early, late] = [maps(200), maps(length - 800)];
  expect(early).toHaveLength(2);
  const scaleAndShift = (nodes: typeof early) =>
    nodes.map(({ map }) => ({ scale: map.a, middle: map.a * 540 + map.e }));
  const [groundEarly, figureEarly] = scaleAndShift(early);
  const [groundLate, figureLate] = scaleAndShift(late);
  expect(defined(groundLate).scale).toBe(defined(groundEarly).scale);
  expect(defined(figureLate).scale).toBeGreaterThan(defined(figureEarly).scale);
  // They pass each other: the ground one way, what stands before it the other.
  expect(defined(figureLate).middle).toBeGreaterThan(defined(figureEarly).middle);
  expect(defined(groundLate).middle).toBeLessThan(defined(groundEarly).middle);
  expect(
    (await prepared([], free)).scenes[0]?.parts.some((part) => part.kind === "media" && part.track[0]?.what.apart),
  ).toBe(false);
});
