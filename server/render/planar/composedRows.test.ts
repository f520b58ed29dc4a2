import { type Canvas, ImageData, createCanvas } from "@napi-rs/canvas";
import { type Rect, rect } from "../../../core/geometry/rect";
import { LOOK_NAMES, lookChange } from "../../../core/grading/looks";
import { type LookupTable, compileTable } from "../../../core/grading/lookupTable";
import { defined } from "../../../core/testing/defined";
import { randomFrom } from "../../../core/testing/randomFrom";
import { RUNS, SEED } from "../../../core/testing/sample";
import { composingBytes, openComposedRows } from "./composedRows";
import { type ClipFrame, type DrawnPiece, type FilmedPiece, type FramePiece } from "./framePieces";
import { OPAQUE_BLACK, type Pixels } from "./framePieces";
import { openPixelFrames } from "./pixelFrames";
import { openPlanarModule, planesBytes } from "./planarModule";
import { resampling } from "./resampling";

/** Rows that are put together against what a canvas of its own makes of the same: every byte of every pixel. */
const [WIDTH, HEIGHT, ROWS, MARGIN] = [211, 90, 16, 4];
const FRAME = { width: WIDTH, height: HEIGHT, margin: MARGIN };
const random = randomFrom(SEED);
const between = (least: number, most: number): number => least + random() * (most - least);
const whole = (least: number, most: number): number => Math.floor(between(least, most + 1));

/** @param isOpaque whether nothing is seen through it */
function noise(width: number, height: number, isOpaque: boolean): Canvas {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  const data = context.createImageData(width, height);
  for (let at = 0; at < data.data.length; at++) data.data[at] = isOpaque && at % 4 === 3 ? 255 : whole(0, 255);
  context.putImageData(data, 0, 0);
  return canvas;
}
const pixelsOf = (canvas: Canvas): Pixels => ({ bytes: canvas.data(), width: canvas.width, height: canvas.height });

async function openRows() {
  const module = await openPlanarModule();
  const at = module.addRoom(composingBytes(WIDTH, ROWS));
  const rows = openComposedRows(module, at, WIDTH, ROWS);
  /** All of a frame, so many rows at once, and these in one piece or in two or three beside each other, however narrow. */
  return (pieces: readonly FramePiece[]): Buffer => {
    rows.begin(pieces);
    const frame = Buffer.alloc(WIDTH * HEIGHT * 4);
    for (let from = 0; from < HEIGHT; from += ROWS) {
      const count = Math.min(ROWS, HEIGHT - from);
      const cuts = Array.from({ length: whole(0, 2) }, () => whole(1, WIDTH - 1));
      const edges = [...new Set([0, ...cuts, WIDTH])].toSorted((one, other) => one - other);
      for (const [which, end] of edges.slice(1).entries()) {
        const left = defined(edges[which]);
        rows.compose(rect(left, from, end - left, count));
        for (let row = 0; row < count; row++)
          frame.set(pixelsBetween(left, end, row), ((from + row) * WIDTH + left) * 4);
      }
    }
    return frame;
  };

  function pixelsBetween(left: number, end: number, row: number): Uint8Array {
    const rowAt = at + row * WIDTH * 4;
    return module.memory.subarray(rowAt + left * 4, rowAt + end * 4);
  }
}

/** What a canvas paints, black at first, with the margin that frames are painted with. */
function painted(paint: (context: ReturnType<Canvas["getContext"]>) => void): Buffer {
  const canvas = createCanvas(WIDTH + 2 * MARGIN, HEIGHT + 2 * MARGIN);
  const context = canvas.getContext("2d");
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.translate(MARGIN, MARGIN);
  context.imageSmoothingQuality = "low";
  paint(context);
  const bytes = canvas.data();
  const rowOf = (y: number) => bytes.subarray(((y + MARGIN) * canvas.width + MARGIN) * 4).subarray(0, WIDTH * 4);
  return Buffer.concat(Array.from({ length: HEIGHT }, (_, y) => rowOf(y)));
}

const BLACK: FramePiece = { kind: "filled", place: rect(0, 0, WIDTH, HEIGHT), color: OPAQUE_BLACK };

function drawn(pixels: Pixels, part: Rect, place: Rect): DrawnPiece {
  return { kind: "drawn", pixels, resampling: defined(resampling(pixels, part, place, FRAME)) };
}
const draw = (canvas: Canvas, part: Rect, to: Rect) => (context: ReturnType<Canvas["getContext"]>) =>
  context.drawImage(canvas, part.x, part.y, part.width, part.height, to.x, to.y, to.width, to.height);

test(`${150 * RUNS} parts of pictures, larger and smaller, over the frame's edges: as the canvas draws them (seed ${SEED})`, async () => {
  const compose = await openRows();
  const pictures = [noise(300, 200, true), noise(431, 173, true), noise(97, 260, true)].map((canvas) => ({
    canvas,
    pixels: pixelsOf(canvas),
  }));
  let compared = 0;
  for (let run = 0; run < 150 * RUNS; run++) {
    const { canvas, pixels } = defined(pictures[run % pictures.length]);
    const [width, height] = [between(0.3, 1) * canvas.width, between(0.3, 1) * canvas.height];
    const [x, y] = [between(0, canvas.width - width), between(0, canvas.height - height)];
    const part = [rect(x, y, width, height), rect(0, 0, canvas.width, canvas.height), rect(0, y, width, height)][
      run % 4
    ];
    const place = rect(whole(-60, 150), whole(-40, 60), whole(60, 260), whole(30, 150));
    const from = part ?? rect(Math.floor(x), Math.floor(y), place.width, place.height);
    // What reaches over the picture's edge by a rounding error is left to the canvas.
    if (!resampling(canvas, from, place, FRAME)) continue;
    compared++;
    const ours = compose([BLACK, drawn(pixels, from, place)]);
    expect({ run, same: ours.equals(painted(draw(canvas, from, place))) }).toEqual({ run, same: true });
  }
  expect(compared).toBeGreaterThan(100 * RUNS);
});

/** A frame of noise as a decoder gives it, and as a canvas shows it. */
async function filmed(width: number, height: number, table?: LookupTable) {
  const planes = Uint8Array.from({ length: planesBytes({ width, height }) }, () => whole(16, 235));
  const pixels = (await openPixelFrames({ width, height }, table)).pixelsOf(planes);
  const canvas = createCanvas(width, height);
  canvas.getContext("2d").putImageData(new ImageData(pixels, width, height), 0, 0);
  const frame: ClipFrame = { planes, width, height, table };
  const piece = (part: Rect, place: Rect): FilmedPiece => ({
    ...{ kind: "filmed", frame, resampling: defined(resampling(frame, part, place, FRAME)) },
  });
  return { canvas, piece };
}

test(`${30 * RUNS} frames with two of clips, one in other colours: as a canvas draws the pixels of their planes (seed ${SEED})`, async () => {
  const compose = await openRows();
  const table = compileTable("tried", lookChange(defined(LOOK_NAMES[0]), 1));
  for (let run = 0; run < 30 * RUNS; run++) {
    // Now and then larger than any before; two of one size, of which each is itself.
    const [width, height] = [2 * whole(50, 150), 2 * whole(20, 150)];
    const [one, other] = [await filmed(width, height, run % 3 === 0 ? table : undefined), await filmed(width, height)];
    const part = rect(between(0, 20), between(0, 10), between(40, width - 20), between(20, height - 10));
    const [left, right] = [rect(whole(-50, 0), whole(-20, 20), whole(90, 200), whole(30, 90)), rect(60, 31, 190, 80)];
    const ours = compose([
      BLACK,
      one.piece(part, left),
      { kind: "layer", alpha: 255, pieces: [other.piece(part, right)] },
    ]);
    const theirs = painted((context) => {
      draw(one.canvas, part, left)(context);
      draw(other.canvas, part, right)(context);
    });
    expect({ run, same: ours.equals(theirs) }).toEqual({ run, same: true });
  }
});

test("memory that was released serves the next, whatever is left in it", async () => {
  const before = await openPlanarModule();
  const room = before.addRoom(4_000_000);
  before.memory.fill(0xaa, room);
  before.release();
  const [next, other] = [await openPlanarModule(), await openPlanarModule()];
  expect([next.memory[room], other.memory[room]]).toEqual([0xaa, undefined]);
  next.release();
  const [compose, table] = [await openRows(), compileTable("tried", lookChange(defined(LOOK_NAMES[0]), 1))];
  const [clip, part, place] = [await filmed(64, 48, table), rect(0, 0, 64, 48), rect(20, 9, 100, 70)];
  const above = noise(50, 50, false);
  const ours = compose([
    ...[BLACK, clip.piece(part, place)],
    { kind: "laid", pixels: pixelsOf(above), part: rect(0, 0, 50, 50), x: 30, y: 30, isOpaque: false },
  ]);
  const theirs = painted((context) => {
    draw(clip.canvas, part, place)(context);
    context.drawImage(above, 30, 30);
  });
  expect(ours.equals(theirs)).toBe(true);
});

test("more pictures than are kept, in turns, beside frames of a clip", async () => {
  const compose = await openRows();
  const pictures = Array.from({ length: 6 }, (_, at) => noise(120 + 10 * at, 90, true));
  const kept = pictures.map(pixelsOf);
  const [part, left, right] = [rect(3.3, 2.1, 100, 80), rect(0, 0, 100, HEIGHT), rect(100, 7, 111, 50)];
  for (const at of [0, 1, 2, 3, 4, 5, 0, 3, 3, 1]) {
    const clip = await filmed(130, 100);
    const ours = compose([BLACK, drawn(defined(kept[at]), part, left), clip.piece(part, right)]);
    const theirs = painted((context) => {
      draw(defined(pictures[at]), part, left)(context);
      draw(clip.canvas, part, right)(context);
    });
    expect({ at, same: ours.equals(theirs) }).toEqual({ at, same: true });
  }
});

test("a frame of more pictures than are kept shows each of them, also when it follows on another", async () => {
  const compose = await openRows();
  const pictures = Array.from({ length: 7 }, (_, at) => noise(60 + 4 * at, 60, true));
  const kept = pictures.map(pixelsOf);
  const part = rect(1.5, 2.5, 50, 50);
  const placeOf = (at: number): Rect => rect(30 * at, 10, 28, 70);
  for (const from of [0, 3, 1]) {
    const order = pictures.map((_, at) => (at + from) % pictures.length);
    const ours = compose([BLACK, ...order.map((which, at) => drawn(defined(kept[which]), part, placeOf(at)))]);
    const theirs = painted((context) => {
      for (const [at, which] of order.entries()) draw(defined(pictures[which]), part, placeOf(at))(context);
    });
    expect({ from, same: ours.equals(theirs) }).toEqual({ from, same: true });
  }
});

test("what one can see through, faded to any degree, cut, in layers: as the canvas lays it over", async () => {
  const compose = await openRows();
  const [ground, above] = [noise(WIDTH, HEIGHT, true), noise(90, 70, false)];
  const opaque: FramePiece = {
    ...{ kind: "laid", pixels: pixelsOf(ground), part: rect(0, 0, WIDTH, HEIGHT) },
    ...{ x: 0, y: 0, isOpaque: true },
  };
  const laid = (x: number, y: number): FramePiece => ({
    ...{ kind: "laid", pixels: pixelsOf(above), part: rect(3, 5, 81, 61), x, y, isOpaque: false },
  });
  for (const alpha of [255, 254, 128, 127, 77, 3, 1])
    for (const [x, y] of [
      [-13, -9],
      [60, 20],
      [173, 55],
    ] as const) {
      const layer = createCanvas(WIDTH + 2 * MARGIN, HEIGHT + 2 * MARGIN);
      const inside = layer.getContext("2d");
      inside.translate(MARGIN, MARGIN);
      inside.drawImage(above, 3, 5, 81, 61, x, y, 81, 61);
      const ours = compose([opaque, laid(5, 6), { kind: "layer", alpha, pieces: [laid(x, y)] }]);
      const theirs = painted((context) => {
        context.drawImage(ground, 0, 0);
        context.drawImage(above, 3, 5, 81, 61, 5, 6, 81, 61);
        context.globalAlpha = alpha / 255;
        context.drawImage(layer, -MARGIN, -MARGIN);
      });
      expect({ alpha, x, same: ours.equals(theirs) }).toEqual({ alpha, x, same: true });
      const cut = rect(x + 10, 30, 50, 12);
      const cutOut = compose([opaque, { kind: "layer", alpha: 255, cut, pieces: [laid(x, y)] }]);
      const cutTheirs = painted((context) => {
        context.drawImage(ground, 0, 0);
        context.beginPath();
        context.rect(cut.x, cut.y, cut.width, cut.height);
        context.clip();
        context.drawImage(above, 3, 5, 81, 61, x, y, 81, 61);
      });
      expect({ x, same: cutOut.equals(cutTheirs) }).toEqual({ x, same: true });
    }
});

test("a part that is not all in its picture, or a place outside of the frame, is not drawn from", () => {
  const picture = { width: 100, height: 80 };
  expect(resampling(picture, rect(0, 0, 100.1, 80), rect(0, 0, 50, 50), FRAME)).toBeNull();
  expect(resampling(picture, rect(-0.1, 0, 50, 50), rect(0, 0, 50, 50), FRAME)).toBeNull();
  expect(resampling(picture, rect(0, 0, 100, 80), rect(WIDTH, 0, 50, 50), FRAME)).toBeNull();
  expect(resampling(picture, rect(0, 0, 100, 80), rect(WIDTH - 3, 0, 50, 50), FRAME)).toBeNull();
  expect(resampling(picture, rect(0, 0, 100, 80), rect(0, 0, 50, 50), FRAME)).not.toBeNull();
});
