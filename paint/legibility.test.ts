import { mediaFill } from "../core/document/shots";
import { type Canvas, createCanvas } from "@napi-rs/canvas";
import { nodeSurface } from "../server/render/nodeResources";
import { imageOf, resourcesWith } from "../server/testing/painting";
import { luminance } from "./testing/luminance";
import { REACHED_BY } from "../core/color/legibility";
import { newPromotion } from "../core/document/newPromotion";
import { resolvePromotion } from "../core/document/resolve";
import { type Rect, union } from "../core/geometry/rect";
import { type Tones, measureTones } from "../core/picture/tones";
import { formatOf, USUAL_FORMATS, type FormatName } from "../core/placement/formats";
import { outputSize } from "../core/placement/quality";
import { type PreparedShape, displayListAt, prepareIn } from "../core/scene/preparePromotion";
import { type ChosenBacking } from "../core/scene/prepared";
import { fontFilesWanted } from "../core/scene/wantedFiles";
import { template } from "../core/templates/build";
import { openWanted, testBook } from "../core/testing/fonts";
import { BRAND_ID, PICTURE_ID, TEST_BRAND, testFacts, testPicture } from "../core/testing/promotions";
import { newArrangement } from "../core/document/arrangements";
import { partOf } from "../core/testing/sample";
import { sceneOf } from "../core/testing/scenes";
import { createPainter } from "./painter";
import { ticksOf } from "../core/time/ticks";

const SIZE = { width: 1200, height: 900 };
const KINDS = ["bright", "dark", "busy", "gradient"] as const;

/** A small generator of numbers from 0 to 1, the same for the same seed (mulberry32). */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function drawnPicture(kind: (typeof KINDS)[number], seed: number): Canvas {
  const random = randomFrom(seed);
  const canvas = createCanvas(SIZE.width, SIZE.height);
  const context = canvas.getContext("2d");
  const color = (low: number, high: number): string =>
    `hsl(${Math.floor(random() * 360)}, ${Math.floor(random() * 90)}%, ${Math.floor(low + random() * (high - low))}%)`;
  const fill = (style: string | CanvasGradient, x = 0, y = 0, width = SIZE.width, height = SIZE.height): void => {
    context.fillStyle = style;
    context.fillRect(x, y, width, height);
  };
  const [low, high] = kind === "bright" ? [70, 98] : kind === "dark" ? [2, 28] : [0, 100];
  if (kind === "gradient") {
    const gradient = context.createLinearGradient(0, 0, random() * SIZE.width, SIZE.height);
    gradient.addColorStop(0, color(low, high));
    gradient.addColorStop(0.5, color(low, high));
    gradient.addColorStop(1, color(low, high));
    fill(gradient);
    return canvas;
  }
  fill(color(low, high));
  const shapes = kind === "busy" ? 900 : 40;
  for (let index = 0; index < shapes; index++)
    fill(color(low, high), random() * SIZE.width, random() * SIZE.height, 10 + random() * 140, 10 + random() * 140);
  return canvas;
}

/** Every pixel's neighbour-picked copy, as ingest takes it. */
function picked(canvas: Canvas, side = 480): { rgba: Uint8ClampedArray; size: { width: number; height: number } } {
  const { data } = canvas.getContext("2d").getImageData(0, 0, SIZE.width, SIZE.height);
  const rgba = new Uint8ClampedArray(side * side * 4);
  const nearest = (index: number, length: number): number => Math.floor(((index + 0.5) * length) / side);
  const columns = Array.from({ length: side }, (_, x) => nearest(x, SIZE.width));
  for (let y = 0; y < side; y++) {
    const row = nearest(y, SIZE.height) * SIZE.width;
    for (let x = 0; x < side; x++) {
      const from = (row + (columns[x] as number)) * 4;
      for (let channel = 0; channel < 4; channel++) rgba[(y * side + x) * 4 + channel] = data[from + channel] as number;
    }
  }
  return { rgba, size: { width: side, height: side } };
}

const book = testBook();
const REF = { slug: "tried", edition: 1 };
const LENGTH = 4000;

async function prepared(tones: Tones, format: FormatName): Promise<PreparedShape> {
  const scene = sceneOf(newArrangement("full-picture"), undefined, false);
  const tried = template({ slug: "tried", name: "Tried", purpose: "other", about: "", scenes: [scene] });
  const document = newPromotion(REF, tried, {
    name: "Tried",
    brand: BRAND_ID,
    fills: {
      "scene.headline": { kind: "words", text: "Bring the bench to life" },
      "scene.line": { kind: "words", text: "While stocks last" },
      "scene.picture-1": mediaFill(PICTURE_ID),
    },
  });
  const facts = testFacts({
    templates: { "tried@1": tried },
    brand: { ...TEST_BRAND, logos: [] },
    media: { [PICTURE_ID]: testPicture({ ...SIZE, levels: 1, tones: [tones] }) },
  });
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return prepareIn(promotion, formatOf(format), format, book);
}

/** The scene without its words, painted; `bare` without what was put behind them too. */
function painted(
  made: PreparedShape,
  format: FormatName,
  canvas: Canvas,
  time: number,
  bare: boolean,
): (area: Rect) => Uint8ClampedArray {
  const scenes = made.scenes.map((scene) => ({
    ...scene,
    parts: scene.parts.filter(({ kind }) => kind === "media" || (kind === "fixed" && !bare)),
  }));
  const size = outputSize(format, "480p");
  const target = nodeSurface(size.width, size.height);
  createPainter(
    formatOf(format),
    size,
    resourcesWith(() => imageOf(canvas)),
  ).paint(displayListAt({ ...made, scenes }, ticksOf(time)), target.context);
  const scale = size.width / formatOf(format).width;
  return ({ x, y, width, height }) =>
    target.canvas
      .getContext("2d")
      .getImageData(Math.floor(x * scale), Math.floor(y * scale), Math.ceil(width * scale), Math.ceil(height * scale))
      .data;
}

/** The share of some pixels over which an ink has a contrast (WCAG 2.2, luminances by culori). */
function shareReaching(contrast: number, pixels: Uint8ClampedArray, ink: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(ink.slice(at, at + 2), 16));
  const light = luminance(r, g, b) + 0.05;
  let reached = 0;
  for (let at = 0; at < pixels.length; at += 4) {
    const below = luminance(pixels[at] as number, pixels[at + 1] as number, pixels[at + 2] as number) + 0.05;
    if (light > below ? light >= contrast * below : below >= contrast * light) reached++;
  }
  return (reached * 4) / pixels.length;
}

const LIGHT = TEST_BRAND.palette.card;
const DARK = TEST_BRAND.palette.ink;

const cases = KINDS.flatMap((kind) =>
  partOf(
    Array.from({ length: 15 }, (_, index) => [kind, index + 1] as const),
    5,
  ),
);
const chosen: ChosenBacking["kind"][] = [];

test.each(cases)(
  "words over a %s picture (%d) reach their contrast in all formats, with the least between",
  async (kind, index) => {
    const canvas = drawnPicture(kind, index * 7919 + KINDS.indexOf(kind));
    const { rgba, size } = picked(canvas);
    const tones = measureTones(rgba, size);
    for (const format of USUAL_FORMATS) {
      const made = await prepared(tones, format);
      const words = made.scenes[0]?.slots.filter((slot) => slot.kind === "words") ?? [];
      const area = words.map(({ place }) => place).reduce(union);
      const [{ backing, ink }] = words as [(typeof words)[number]];
      if (!backing || !ink) throw new Error("Words over a picture must say what was chosen.");
      chosen.push(backing.kind);
      // Both ends of the slow zoom.
      const times = [0, LENGTH];
      for (const time of times)
        expect(
          shareReaching(backing.wanted, painted(made, format, canvas, time, false)(area), ink),
        ).toBeGreaterThanOrEqual(REACHED_BY);
      if (backing.kind === "plain") continue;
      // Something was put between, so neither ink had the contrast on the picture itself; a tenth is left for measuring coarsely.
      const plain = times.map((time) => painted(made, format, canvas, time, true)(area));
      for (const one of [LIGHT, DARK])
        expect(Math.min(...plain.map((pixels) => shareReaching(backing.wanted * 1.1, pixels, one)))).toBeLessThan(
          REACHED_BY,
        );
    }
  },
);

test("bright and dark pictures need nothing between as a rule; only busy ones need a panel", () => {
  expect(chosen.filter((kind) => kind === "plain").length).toBeGreaterThan(chosen.length / 4);
  expect(chosen.filter((kind) => kind === "shade").length).toBeGreaterThan(0);
});
