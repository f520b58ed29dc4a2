import { jest } from "@jest/globals";
import { type Canvas, Path2D as NodePath, createCanvas } from "@napi-rs/canvas";
import { type Size } from "../../core/geometry/rect";
import { type ClipNode } from "../../core/scene/displayList";
import { fillSlot, applyEdit } from "../../core/document/edits";
import { mediaFill } from "../../core/document/shots";
import { openWanted, testBook } from "../../core/testing/fonts";
import { until } from "../../server/testing/until";
import { CLIP_ID, testDocument, testFacts } from "../../core/testing/promotions";
import { type ClipFrames } from "./clipFrames";
import { type StageNews } from "./proofMessages";
import { type PictureCache } from "./browserResources";

/** A stage as it runs in a worker, on Node's canvas, with pictures that come when they are let come. */
const book = testBook();
const asSurface = (canvas: Canvas) => ({
  width: canvas.width,
  height: canvas.height,
  context: canvas.getContext("2d"),
  image: canvas,
});
const picture = createCanvas(200, 150);
const red = picture.getContext("2d");
red.fillStyle = "#ff0000";
red.fillRect(0, 0, 200, 150);

/** Whether pictures are here, and who waits for them. */
const pictures = { here: true, waiting: [] as (() => void)[] };
jest.unstable_mockModule("./browserBook", () => ({
  browserBook: () => Promise.resolve(book),
  openFiles: (own: typeof book, ids: readonly string[]) => openWanted(own, () => ids.filter((id) => !own.open.has(id))),
}));
jest.unstable_mockModule("./browserTones", () => ({
  withShownTones: (_: object, facts: object) => Promise.resolve(facts),
}));
jest.unstable_mockModule("./browserResources", () => ({
  browserResources: (_: PictureCache, clips: (node: ClipNode) => unknown) => ({
    surface: (width: number, height: number) => asSurface(createCanvas(width, height)),
    path: () => new NodePath(),
    picture: () => (pictures.here ? picture : null),
    emoji: () => null,
    clipFrame: clips,
    has: () => pictures.here,
    load: () => (pictures.here ? Promise.resolve() : new Promise<void>((resolve) => pictures.waiting.push(resolve))),
  }),
}));
Object.assign(globalThis, {
  requestAnimationFrame: (callback: () => void) => setTimeout(callback),
  OffscreenCanvas: function (width: number, height: number): object {
    return Object.assign(createCanvas(width, height), {
      convertToBlob: () => Promise.resolve(new Blob([`${width}×${height}`])),
    });
  },
  createImageBitmap: (image: Canvas, x: number, y: number, width: number, height: number) => {
    const bitmap = createCanvas(width, height);
    bitmap.getContext("2d").drawImage(image, -x, -y);
    return Promise.resolve(bitmap);
  },
});
const { newStageMemory, openStage } = await import("./stage");

const clips = { exact: [] as number[][], wanted: [] as number[][], closed: 0, areLate: false };
const testClips: ClipFrames = {
  image: () => null,
  want: (nodes) => {
    clips.wanted.push(nodes.map(({ frame }) => frame));
  },
  areNear: () => !clips.areLate,
  exact: (nodes) => {
    clips.exact.push(nodes.map(({ frame }) => frame));
    return Promise.resolve();
  },
  close: () => {
    clips.closed++;
  },
};

const SIZE = { width: 108, height: 108 };
function opened(isPreview = false, hear: (news: StageNews) => void = () => {}) {
  const news: StageNews[] = [];
  let painted: Canvas | null = null;
  const frames: StageNews[] = [];
  const stage = openStage({
    isPreview,
    memory: newStageMemory(),
    checksFrames: false,
    pictures: {} as PictureCache,
    openClips: () => testClips,
    say: (one) => {
      if (one.kind === "painted") painted = (one.frames[0]?.bitmap as unknown as Canvas | undefined) ?? null;
      (one.kind === "painted" ? frames : news).push(one);
      hear(one);
    },
  });
  stage.size("square", SIZE);
  const pixels = (): Uint8ClampedArray =>
    painted?.getContext("2d").getImageData(0, 0, SIZE.width, SIZE.height).data ?? new Uint8ClampedArray();
  const isRed = (): boolean => {
    const [r = 0, g = 0] = pixels().subarray(4 * (60 * 108 + 54));
    return r > 60 && g < 60;
  };
  const sizeShown = (): Size | null => painted && { width: painted.width, height: painted.height };
  return { stage, news, frames: () => frames, sizeShown, pixels, isRed, kinds: () => news.map(({ kind }) => kind) };
}
/** Lets what was painted be given. */
const turned = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
const letCome = (): void => {
  pictures.here = true;
  pictures.waiting.splice(0).forEach((resolve) => resolve());
};

beforeEach(() => {
  pictures.here = true;
  pictures.waiting = [];
  Object.assign(clips, { exact: [], wanted: [], closed: 0, areLate: false });
});

test("what is shown is told as sheets and findings, painted at the settled moment, and said to be there", async () => {
  const { stage, news, kinds, sizeShown, isRed } = opened();
  await stage.show(testDocument(), testFacts(), { scene: 0 });
  expect(kinds()).toEqual(["prepared", "shown"]);
  const [prepared] = news;
  if (prepared?.kind !== "prepared") throw new Error("It is told first.");
  expect(prepared.sheets.map(({ format }) => format)).toEqual(["square", "vertical", "widescreen"]);
  expect(prepared).toMatchObject({ length: 15_000, time: 2100 });
  expect(prepared.sheets[0]?.scenes[0]?.slots.some(({ key }) => key === "hook.headline")).toBe(true);
  // Told with every key that is pressed: without outlines it is small.
  expect(JSON.stringify(prepared.sheets).length).toBeLessThan(40_000);
  expect(sizeShown()).toEqual(SIZE);
  expect(isRed()).toBe(true);
});

test("the proofs are painted before the rest is told of, since whoever types waits for them", async () => {
  const paintedWhenTold: boolean[] = [];
  const desk = opened(false, (news) => {
    if (news.kind === "prepared") paintedWhenTold.push(desk.isRed());
  });
  await desk.stage.show(testDocument(), testFacts(), { scene: 0 });
  expect(paintedWhenTold).toEqual([true]);
});

test("a desk is painted at once without what is missing, and whole as soon as that is here; a preview only whole", async () => {
  pictures.here = false;
  const [desk, preview] = [opened(), opened(true)];
  const shows = [desk, preview].map(({ stage }) => stage.show(testDocument(), testFacts(), { scene: 0 }));
  await until(() => desk.kinds().includes("prepared") && preview.kinds().includes("prepared"));
  expect([desk.sizeShown(), preview.sizeShown()]).toEqual([SIZE, null]);
  expect(desk.isRed()).toBe(false);
  expect([desk.kinds(), preview.kinds()]).toEqual([["prepared"], ["prepared"]]);
  letCome();
  await Promise.all(shows);
  expect([desk.isRed(), preview.isRed()]).toEqual([true, true]);
  expect([desk.kinds().at(-1), preview.kinds().at(-1)]).toEqual(["shown", "shown"]);
  // What rests in a gallery keeps no decoder.
  expect(clips.closed).toBe(1);
});

test("what is overtaken by what is to be shown next is not said to be there", async () => {
  const { stage, news, kinds } = opened();
  const first = stage.show(testDocument(), testFacts(), { scene: 0 });
  const second = stage.show(testDocument({ name: "Newer" }), testFacts(), { scene: 0 });
  await Promise.all([first, second]);
  expect(kinds().filter((kind) => kind === "shown")).toHaveLength(1);
  expect(news).toHaveLength(2);
});

test("who goes elsewhere while pictures are on their way is shown the place they went to, once", async () => {
  pictures.here = false;
  const { stage, kinds } = opened();
  const shown = stage.show(testDocument(), testFacts(), { scene: 0 });
  await until(() => kinds().includes("prepared"));
  const rested = stage.rest({ time: 9000 });
  letCome();
  await Promise.all([shown, rested]);
  expect(kinds()).toEqual(["prepared", "shown"]);
});

test("who goes elsewhere, or plays, before a change is prepared is shown that change all the same, where they went", async () => {
  const { stage, news, kinds } = opened();
  const shown = stage.show(testDocument(), testFacts(), { scene: 0 });
  const rested = stage.rest({ time: 9000 });
  await Promise.all([shown, rested]);
  expect(kinds().filter((kind) => kind === "prepared")).toHaveLength(1);
  expect(news.find(({ kind }) => kind === "prepared")).toMatchObject({ time: 9000, length: 15_000 });
  const changed = stage.show(testDocument({ name: "Newer" }), testFacts(), { time: 9000 });
  stage.play(4000, 10_000);
  await changed;
  expect(kinds().filter((kind) => kind === "prepared")).toHaveLength(2);
  expect(stage.tick(10_050)).toBe(true);
});

test("it stands on whole frames, asks for exactly the clip's frame there, and paints again when that is here", async () => {
  const { stage } = opened();
  const document = applyEdit(testDocument(), fillSlot("product.picture", mediaFill(CLIP_ID)));
  await stage.show(document, testFacts(), { time: 4010 });
  // Scene 2 begins at 3 s: frame 120 of the promotion is frame 30 of the clip.
  expect(clips.exact).toEqual([[30]]);
  await stage.rest({ time: 4050 });
  expect(clips.exact.at(-1)).toEqual([31]);
});

test("it plays by its own clock, asks ahead for clips, and says when it has come to the end", async () => {
  const { stage, kinds, pixels } = opened();
  const document = applyEdit(testDocument(), fillSlot("product.picture", mediaFill(CLIP_ID)));
  await stage.show(document, testFacts(), { time: 0 });
  const before = pixels().slice();
  stage.play(4000, 10_000);
  expect(stage.tick(10_000)).toBe(true);
  expect(stage.tick(10_050)).toBe(true);
  expect(clips.wanted).toEqual([[30], [31]]);
  await turned();
  expect(pixels()).not.toEqual(before);
  expect(stage.tick(10_000 + 11_000)).toBe(false);
  expect(kinds().at(-1)).toBe("ended");
  expect(stage.tick(10_000 + 11_016)).toBe(false);
});

test("while a clip is late what was painted stays as it is, but not for longer than a second", async () => {
  const { stage, pixels } = opened();
  const document = applyEdit(testDocument(), fillSlot("product.picture", mediaFill(CLIP_ID)));
  await stage.show(document, testFacts(), { time: 0 });
  stage.play(3100, 10_000);
  stage.tick(10_000);
  await turned();
  const together = pixels().slice();
  clips.areLate = true;
  for (const now of [10_100, 10_500, 10_990]) expect(stage.tick(now)).toBe(true);
  await turned();
  expect(pixels()).toEqual(together);
  expect(clips.wanted.at(-1)).not.toEqual(clips.wanted[0]);
  stage.tick(11_010);
  await turned();
  expect(pixels()).not.toEqual(together);
});

test("a frame is painted at the size of the output, and only once there is something to paint", async () => {
  const { stage } = opened();
  await expect(stage.frame("square", "1080p")).rejects.toThrow("The proof is not there yet.");
  await stage.show(testDocument(), testFacts(), { scene: 0 });
  expect(await (await stage.frame("vertical", "480p")).text()).toBe("480×854");
});

test("what can't be shown is said; the next that can be is shown", async () => {
  const { stage, news, kinds } = opened();
  await stage.show(testDocument(), testFacts({ templates: {} }), { scene: 0 });
  expect(news).toEqual([{ kind: "failed", reason: expect.stringContaining("There is no template") as unknown }]);
  await stage.show(testDocument(), testFacts(), { scene: 0 });
  expect(kinds()).toEqual(["failed", "prepared", "shown"]);
});

test("what can't be painted while it plays, or in another size, is said", async () => {
  const { stage, kinds } = opened();
  await stage.show(testDocument(), testFacts(), { time: 0 });
  const { createImageBitmap: given } = globalThis;
  globalThis.createImageBitmap = () => Promise.reject(new Error("There is no room for another picture."));
  try {
    stage.play(4000, 10_000);
    stage.tick(10_050);
    await until(() => kinds().at(-1) === "failed");
    stage.size("square", { width: 54, height: 54 });
    await until(() => kinds().filter((kind) => kind === "failed").length === 2);
  } finally {
    globalThis.createImageBitmap = given;
  }
  expect(kinds()).toEqual(["prepared", "shown", "failed", "failed"]);
});

test("a format that is shown in another size is painted in that; one that is shown no more is not; nothing is said once it is closed", async () => {
  const { stage, sizeShown, frames, kinds } = opened();
  await stage.show(testDocument(), testFacts(), { scene: 0 });
  stage.size("square", { width: 54, height: 54 });
  await until(() => sizeShown()?.width === 54);
  const told = frames().length;
  stage.size("square", { width: 54, height: 54 });
  await turned();
  expect(frames()).toHaveLength(told);
  stage.size("square", null);
  stage.size("vertical", { width: 54, height: 96 });
  await until(() => sizeShown()?.height === 96);
  await stage.rest({ time: 9000 });
  expect(sizeShown()).toEqual({ width: 54, height: 96 });
  stage.close();
  const said = kinds().length;
  await stage.show(testDocument(), testFacts({ templates: {} }), { scene: 0 });
  expect(kinds()).toHaveLength(said);
});
