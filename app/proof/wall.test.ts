import { jest } from "@jest/globals";
import { createCanvas } from "@napi-rs/canvas";
import { applyEdit, fillSlot } from "../../core/document/edits";
import { mediaFill } from "../../core/document/shots";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { type FormatName } from "../../core/placement/formats";
import { newMemory, preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openWanted, testBook } from "../../core/testing/fonts";
import { CLIP_ID, testDocument, testFacts } from "../../core/testing/promotions";
import { nodeSurface } from "../../server/render/nodeResources";
import { type ClipFrames } from "./clipFrames";

jest.unstable_mockModule("./browserResources", () => ({
  browserResources: (_: unknown, clips: (node: unknown) => unknown) => ({
    surface: nodeSurface,
    path: () => ({ moveTo() {}, lineTo() {}, quadraticCurveTo() {}, bezierCurveTo() {}, closePath() {} }),
    picture: () => createCanvas(8, 8),
    emoji: () => createCanvas(8, 8),
    clipFrame: clips,
    load: () => Promise.resolve(),
    has: () => true,
  }),
}));
const painted = { count: 0 };
jest.unstable_mockModule("../../paint/painter", () => ({
  MARGIN: 0,
  createPainter: () => ({
    frame: () => {
      painted.count++;
      return {};
    },
  }),
}));
Object.assign(globalThis, {
  createImageBitmap: (_image: object, _left: number, _top: number, width: number, height: number) =>
    Promise.resolve({ width, height, close: () => undefined }),
});
const { openWall } = await import("./wall");

const book = testBook();
const memory = newMemory();
async function prepared(document: Promotion) {
  const promotion = resolvePromotion(document, testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return (["square", "vertical"] as const).map((format) => preparePromotion(promotion, format, book, memory));
}

const SIZES = { square: { width: 60, height: 60 }, vertical: { width: 60, height: 107 } };
function opened(pause: () => Promise<void> = () => Promise.resolve()) {
  const given: (readonly [FormatName, number, number])[] = [];
  const asked: number[][] = [];
  const clips: ClipFrames = {
    image: () => null,
    want: () => undefined,
    areNear: () => true,
    exact: (nodes) => {
      asked.push(nodes.map(({ frame }) => frame));
      return Promise.resolve();
    },
    close: () => undefined,
  };
  const wall = openWall({
    pictures: {
      bitmaps: { get: () => null, has: () => true, put: () => undefined, bytes: () => 0 },
      fetching: new Map(),
    },
    openClips: () => clips,
    factsOf: () => testFacts(),
    give: (format, scene, { height }) => given.push([format, scene, height]),
    pause,
  });
  return { wall, given, asked };
}

test("every scene is given in every format, scene by scene, at the size of its cells; without sizes nothing is", async () => {
  const { wall, given } = opened();
  const formats = await prepared(testDocument());
  await wall.paint(formats);
  expect(given).toEqual([]);
  wall.resize(SIZES);
  await wall.paint(formats);
  expect(given).toEqual(
    [0, 1, 2, 3].flatMap((scene) => [["square", scene, 60] as const, ["vertical", scene, 107] as const]),
  );
});

test("what looks the same is not painted again; words that are typed in a scene paint that scene's cells alone", async () => {
  const { wall, given } = opened();
  wall.resize(SIZES);
  await wall.paint(await prepared(testDocument()));
  given.length = 0;
  await wall.paint(await prepared(testDocument()));
  expect(given).toEqual([]);
  const typed = applyEdit(testDocument(), fillSlot("product.line", { kind: "words", text: "New words" }));
  await wall.paint(await prepared(typed));
  expect(given.map(([format, scene]) => [format, scene])).toEqual([
    ["square", 1],
    ["vertical", 1],
  ]);
});

test("a clip is waited for at the frame of its settled moment; a wall that is overtaken stops", async () => {
  const document = applyEdit(testDocument(), fillSlot("hook.picture", mediaFill(CLIP_ID)));
  const { wall, asked } = opened();
  wall.resize(SIZES);
  await wall.paint(await prepared(document));
  // The hook is on screen for 3.5 s, its last half second under the coming scene: it has settled at 2.1 s.
  expect(asked[0]).toEqual([63]);

  let turns = 0;
  const slow = opened(async () => {
    turns++;
    // While the third cell waits for its turn, another change comes.
    if (turns === 3) void slow.wall.paint([]);
    await Promise.resolve();
  });
  slow.wall.resize(SIZES);
  await slow.wall.paint(await prepared(document));
  expect(slow.given).toHaveLength(2);
});
