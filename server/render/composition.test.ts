import { createCanvas } from "@napi-rs/canvas";
import { type Size, wholeOf } from "../../core/geometry/rect";
import { formatOf } from "../../core/placement/formats";
import { outputSize } from "../../core/placement/quality";
import { type DisplayList, type DisplayNode, type LayerNode, everyNode } from "../../core/scene/displayList";
import { anyStills } from "../../core/testing/anyStill";
import { defined } from "../../core/testing/defined";
import { testPicture } from "../../core/testing/promotions";
import { RUNS, SEED } from "../../core/testing/sample";
import { rectangle } from "../../core/type/outline";
import { MARGIN, createPainter } from "../../paint/painter";
import { imageOf, resourcesWith } from "../testing/painting";
import { openComposition } from "./composition";
import { pixelsOn } from "./nodeResources";
import { type Pixels } from "./planar/framePieces";
import { type PlanarFrames, openPlanarFrames, wholeFrame } from "./planar/planarFrames";

/** Frames that are put together of pieces against those that the painter paints on a canvas. */
const FORMAT = formatOf("square");
const SIZE = outputSize("square", "480p");
const SCALE = SIZE.width / FORMAT.width;

/** A picture in many colours, with nothing to be seen through it. */
const PICTURE = (() => {
  const canvas = createCanvas(800, 600);
  const context = canvas.getContext("2d");
  for (let at = 0; at < 800; at += 20)
    for (let down = 0; down < 600; down += 12) {
      context.fillStyle = `hsl(${at + down}, 70%, ${20 + (down % 60)}%)`;
      context.fillRect(at, down, 20, 12);
    }
  return canvas;
})();
const PIXELS: Pixels = { bytes: PICTURE.data(), width: PICTURE.width, height: PICTURE.height };

interface Differing {
  /** How many values of planes differ, and by how much at most. */
  readonly count: number;
  readonly most: number;
}

/** Frames of one format, one after another: put together, and painted. */
async function bothWays(size: Size = SIZE) {
  const resources = resourcesWith(() => imageOf(PICTURE));
  const [painter, apart] = [createPainter(FORMAT, size, resources), createPainter(FORMAT, size, resources)];
  const composition = openComposition({ format: FORMAT, size, scale: size.width / FORMAT.width }, apart, {
    picture: () => PIXELS,
    clipFrame: () => null,
  });
  const [ours, theirs] = await Promise.all([openPlanarFrames(size), openPlanarFrames(size)]);
  return {
    isPutTogether: (list: DisplayList): boolean => composition.piecesOf(list) !== null,
    /** Null where a frame is not put together. */
    compare(list: DisplayList): Differing | null {
      const pieces = composition.piecesOf(list);
      if (!pieces) return null;
      ours.change({ place: wholeOf(size), pieces });
      const surface = painter.frame(list);
      const pixels = pixelsOn(surface);
      const part = { x: MARGIN, y: MARGIN, ...size };
      const whole = wholeFrame(new Uint8Array(0), size);
      theirs.change({ ...whole, pieces: [{ kind: "laid", pixels, part, x: 0, y: 0, isOpaque: true }] });
      return differing(ours, theirs);
    },
  };
}

function differing({ planes: one }: PlanarFrames, { planes: other }: PlanarFrames): Differing {
  let [count, most] = [0, 0];
  for (let at = 0; at < one.length; at++) {
    const by = Math.abs((one[at] ?? 0) - (other[at] ?? 0));
    if (by > 0) count++;
    most = Math.max(most, by);
  }
  return { count, most };
}

/** How many things one can see through there are, in any of a list. */
const seenThrough = (list: DisplayList): number =>
  [...everyNode(list)].filter((node) => {
    if (node.kind === "fill" || node.kind === "shape") return JSON.stringify(node.ink).includes("rgba");
    return node.kind === "texture" || ("alpha" in node && node.alpha < 1) || (node.kind === "layer" && node.mask);
  }).length;

const SAME = { count: 0, most: 0 };
const PICTURE_FACTS = testPicture({ width: 800, height: 600 });
const [GROUND] = defined(anyStills(FORMAT, [PICTURE_FACTS], { seed: SEED, count: 1 })[0]);
const ground = (): DisplayNode => defined(GROUND);
const fill = (x: number, y: number, width: number, height: number, ink: string): DisplayNode => ({
  kind: "fill",
  place: { x, y, width, height },
  ink,
});
const shape = (x: number, y: number): DisplayNode => ({
  kind: "shape",
  outline: rectangle({ x: 0, y: 0, width: 301.3, height: 97.7 }),
  at: { x, y },
  ink: "#c9603a",
});
const moved = (by: number, ...children: DisplayNode[]): DisplayNode => ({
  kind: "transformed",
  alpha: 0.7,
  map: { a: 0.97, b: 0, c: 0, d: 0.97, e: by, f: by / 3 },
  children,
});
const layer = (about: Partial<LayerNode>, ...children: DisplayNode[]): DisplayNode => ({
  kind: "layer",
  alpha: 1,
  ...about,
  children,
});
const still = (...children: DisplayNode[]): DisplayNode => ({
  kind: "still",
  bounds: { x: 100, y: 100, width: 500, height: 300 },
  children,
});

test("anything that is painted is put together as it is painted, but for a step of 255, and one or two more where one sees through things", async () => {
  const frames = await bothWays();
  const stills = anyStills(FORMAT, [PICTURE_FACTS], { seed: SEED, count: 240 * RUNS });
  const together = stills.filter(frames.isPutTogether);
  // Many are blended, or nearly all of them is turned.
  expect(together.length).toBeGreaterThan(stills.length / 8);
  for (const list of together.slice(0, 8 * RUNS)) {
    // What lies over one another is painted together, on nothing, and rounded to a step each time.
    expect(frames.compare(list)?.most).toBeLessThanOrEqual(Math.min(3, 1 + seenThrough(list)));
  }
});

test.each<readonly [string, (at: number) => DisplayList]>([
  [
    "a picture, colours one can and can't see through, and what holds still",
    (at) => [
      ground(),
      fill(-40 + at, 300, 700, 61.5, "rgba(31, 42, 36, 0.5)"),
      fill(900, 20 + at, 400, 80, "#fffaf0"),
      still(shape(120, 130)),
    ],
  ],
  [
    "a crossfade, in a crossfade",
    (at) => [
      ground(),
      layer(
        { alpha: at / 40 },
        fill(0, 0, 1080, 540, "#2b5f47"),
        still(shape(150, 160)),
        layer({ alpha: 0.31 }, ground()),
      ),
    ],
  ],
  [
    "a wipe",
    (at) => [
      fill(0, 0, 1080, 1080, "#fffaf0"),
      {
        kind: "clipped",
        place: { x: at * 20.7, y: -20, width: 700, height: 900 },
        children: [ground(), still(shape(150, 160))],
      },
    ],
  ],
  [
    "a push, over the frame's edge",
    (at) => [
      {
        kind: "transformed",
        whole: true,
        alpha: 1,
        map: { a: 1, b: 0, c: 0, d: 1, e: -at * 31.3, f: at * 3 },
        children: [ground(), still(shape(150, 160)), shape(900, 300.4)],
      },
      fill(500, 500, 100, 100, "#c9603a"),
    ],
  ],
  ["nothing at all in most of it", (at) => [fill(at, at, 33.3, 45, "#c9603a")]],
])("%s: no pixel differs", async (_, listAt) => {
  const frames = await bothWays();
  for (const at of [0, 1, 7, 22, 39]) expect([at, frames.compare(listAt(at))]).toEqual([at, SAME]);
});

test("words that move are laid over what is below, also two over one another, and again after a frame that was painted", async () => {
  const frames = await bothWays();
  const blended: DisplayList = [ground(), layer({ blend: "multiply" }, ground()), moved(3, shape(200, 200))];
  for (const at of [1, 5, 9.4]) {
    const [one, other] = [moved(at, shape(200, 200)), moved(-2 * at, shape(260, 220))];
    expect(
      frames.compare([ground(), one, layer({ alpha: 0.6 }, other), fill(0, 900, 1080, 30, "#2b5f47")])?.most,
    ).toBeLessThanOrEqual(1);
    expect(frames.compare(blended)).toBeNull();
    // The very same nodes as two frames ago.
    expect(frames.compare([ground(), one])?.most).toBeLessThanOrEqual(1);
  }
});

test("what sees through to what is below, or moves nearly all of the frame, is painted in one piece; blended within a layer it is not", async () => {
  const frames = await bothWays();
  const blend = layer({ blend: "screen", alpha: 0.5 }, ground());
  expect(frames.compare([ground(), moved(1, blend)])).toBeNull();
  expect(frames.compare([moved(4, ground())])).toBeNull();
  // What could not be read then is not taken for read.
  expect(frames.compare([fill(0, 0, 1080, 1080, "#2b5f47"), moved(4, shape(10, 10))])?.most).toBeLessThanOrEqual(1);
  const isolated = layer(
    {},
    fill(0, 0, 300, 300, "#2b5f47"),
    layer({ blend: "screen" }, fill(100, 100, 300, 300, "#c9603a")),
  );
  expect(frames.compare([ground(), isolated])?.most).toBeLessThanOrEqual(1);
});

test("where pieces leave something uncovered it is black, whatever was there in the frame before", async () => {
  const frames = await bothWays();
  const [upper, lower] = [fill(0, 0, 1080, 702, "#2b5f47"), fill(0, 702, 1080, 378, "#c9603a")];
  const strip = fill(0, 690, 1080, 24, "rgba(255, 250, 240, 0.8)");
  const alone = fill(300, 0, 780, 1080, "#e8d9c0");
  for (const list of [[upper, lower, strip], [lower], [upper, strip], [alone], [], [lower, alone]])
    expect(frames.compare(list)).toEqual(SAME);
});

test("sizes that are no multiple of anything", async () => {
  const frames = await bothWays({ width: 618, height: 622 });
  const list = [ground(), fill(13, 17, 333, 99, "rgba(255, 250, 240, 0.8)"), still(shape(140, 160))];
  expect(frames.compare(list)).toEqual(SAME);
  expect(SCALE).not.toBe(1);
});
