import { jest } from "@jest/globals";
import { Path2D as NodePath, createCanvas } from "@napi-rs/canvas";
import { applyEdit, fillSlot } from "../../core/document/edits";
import { resolvePromotion } from "../../core/document/resolve";
import { mediaFill } from "../../core/document/shots";
import { type Finding } from "../../core/preflight/finding";
import { type ClipNode } from "../../core/scene/displayList";
import { preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openWanted, testBook } from "../../core/testing/fonts";
import { CLIP_ID, testDocument, testFacts } from "../../core/testing/promotions";
import { type ClipFrames } from "./clipFrames";
import { type PictureCache } from "./browserResources";

/** On Node's canvas; the clip in the first scene is light and dark in turn, every so many frames. */
const plain = (color: string) => {
  const canvas = createCanvas(64, 36);
  const context = canvas.getContext("2d");
  context.fillStyle = color;
  context.fillRect(0, 0, 64, 36);
  return { image: canvas, width: 64, height: 36 };
};
const [DARK, LIGHT] = [plain("#101010"), plain("#f0f0f0")];

jest.unstable_mockModule("./browserResources", () => ({
  browserResources: (_: PictureCache, clipFrame: (node: ClipNode) => unknown) => ({
    surface: (width: number, height: number) => {
      const canvas = createCanvas(width, height);
      return { width, height, context: canvas.getContext("2d"), image: canvas };
    },
    path: () => new NodePath(),
    picture: () => DARK.image,
    emoji: () => null,
    clipFrame,
    load: () => Promise.resolve(),
  }),
}));
Object.assign(globalThis, {
  OffscreenCanvas: function (width: number, height: number): object {
    return createCanvas(width, height);
  },
});
const { openFrameChecker } = await import("./frameChecker");

const book = testBook();
const facts = testFacts();
async function prepared(name: string) {
  const document = applyEdit({ ...testDocument(), name }, fillSlot("hook.picture", mediaFill(CLIP_ID)));
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return { promotion, formats: [preparePromotion(promotion, "square", book)] };
}

/** @param everyFrames how long the clip stays light or dark @param turn lets a test hold the checker */
function opened(everyFrames: number, turn: (isFirst: boolean) => Promise<void> = () => Promise.resolve()) {
  const given: (readonly Finding[])[] = [];
  let closed = 0;
  const clips: ClipFrames = {
    image: ({ frame }) => (Math.floor(frame / everyFrames) % 2 === 0 ? DARK : LIGHT) as never,
    want: () => undefined,
    areNear: () => true,
    exact: () => Promise.resolve(),
    close: () => {
      closed++;
    },
  };
  const checker = openFrameChecker({
    pictures: {} as PictureCache,
    openClips: () => clips,
    factsOf: () => facts,
    give: (found) => given.push(found),
    turn,
  });
  return { checker, given, closed: () => closed };
}

test("a clip that flashes six times in a second is found, one that does so twice is not; decoders are let go of", async () => {
  const { promotion, formats } = await prepared("Light");
  const fast = opened(2.5);
  await fast.checker.check(promotion, formats);
  expect(fast.given).toMatchObject([[{ rule: "no-flashes", where: { scene: "hook", format: "square" } }]]);
  expect(fast.given[0]?.[0]?.numbers["flashesPerSecond"]).toBeGreaterThanOrEqual(5);
  expect(fast.closed()).toBe(1);
  const slow = opened(7);
  await slow.checker.check(promotion, formats);
  expect(slow.given).toEqual([[]]);
});

test("what is shown next overtakes a check: only the later one's findings are told", async () => {
  const { promotion, formats } = await prepared("First");
  const turns: (() => void)[] = [];
  const held = opened(2, () => new Promise((resolve) => turns.push(resolve)));
  const first = held.checker.check(promotion, formats);
  const second = held.checker.check(promotion, formats);
  const pumping = setInterval(() => turns.splice(0).forEach((go) => go()));
  await Promise.all([first, second]);
  clearInterval(pumping);
  expect(held.given).toHaveLength(1);
});

test("a desk that is closed is told nothing any more", async () => {
  const { promotion, formats } = await prepared("Closed");
  let frames = 0;
  const one = opened(2, () => {
    if (++frames === 20) one.checker.close();
    return Promise.resolve();
  });
  await one.checker.check(promotion, formats);
  expect(one.given).toEqual([]);
  expect(frames).toBeLessThanOrEqual(21);
});

test("what was found stays known: only a format whose lively frames changed is painted again", async () => {
  const { promotion, formats } = await prepared("Known");
  let painted = 0;
  const one = opened(2.5, (isFirst) => {
    if (!isFirst) painted++;
    return Promise.resolve();
  });
  await one.checker.check(promotion, formats);
  const atFirst = painted;
  expect(atFirst).toBeGreaterThan(60);
  await one.checker.check({ ...promotion }, formats);
  expect(painted - atFirst).toBeLessThanOrEqual(1);
  expect(one.given[1]).toEqual(one.given[0]);
  expect(one.given[1]).toHaveLength(1);
  const changed = formats.map((shape) => ({
    ...shape,
    joins: shape.joins.map((join) => ({ ...join, kind: "push" as const })),
  }));
  await one.checker.check(promotion, changed);
  expect(painted).toBeGreaterThan(atFirst + 60);
});
