import { mediaFill } from "../core/document/shots";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { arch, platform } from "node:os";
import { createCanvas, loadImage } from "@napi-rs/canvas";
import { object, string } from "yup";
import { ssim } from "ssim.js";
import { type Arrangement, newArrangement } from "../core/document/arrangements";
import { type Fill } from "../core/document/promotion";
import { resolvePromotion } from "../core/document/resolve";
import { type SlotKey, slotKey } from "../core/document/sceneTemplate";
import { type Template } from "../core/document/template";
import { formatOf, USUAL_FORMATS, type FormatName } from "../core/placement/formats";
import { displayListAt, preparePromotion } from "../core/scene/preparePromotion";
import { fontFilesWanted } from "../core/scene/wantedFiles";
import { template } from "../core/templates/build";
import { openWanted, testBook } from "../core/testing/fonts";
import { BRAND_ID, PICTURE_ID, TEST_BRAND, promotionOf, testFacts, testPicture } from "../core/testing/promotions";
import { sceneOf } from "../core/testing/scenes";
import { millis } from "../core/units";
import { createPainter } from "./painter";
import { nodeSurface } from "../server/render/nodeResources";
import { imageOf, resourcesWith } from "../server/testing/painting";
import { ticksOf } from "../core/time/ticks";

/**
 * Frames kept as pictures, so that browser and server can't go wrong together. On the kind of machine they were made on
 * they must be equal to the last bit; elsewhere they must look the same. When a change is meant, delete the picture, run
 * this test twice, and look at the new one before it is committed.
 */
const FOLDER = "paint/golden";
const SHORT_SIDE = 240;
const PICTURE = { width: 480, height: 360 };

const machine = object({ platform: string().required(), arch: string().required(), canvas: string().required() });
const canvasVersion = object({ version: string().required() }).validateSync(
  createRequire(`${process.cwd()}/package.json`)("@napi-rs/canvas/package.json"),
).version;
const HERE = { platform: platform(), arch: arch(), canvas: canvasVersion };
const madeOn = existsSync(`${FOLDER}/made-on.json`)
  ? machine.validateSync(JSON.parse(readFileSync(`${FOLDER}/made-on.json`, "utf8")))
  : HERE;
const sameMachine = JSON.stringify(madeOn) === JSON.stringify(HERE);

interface Kept {
  readonly name: string;
  readonly scenes: readonly Arrangement[];
  readonly words: string;
  /** Milliseconds from the start. */
  readonly time: number;
  readonly transition?: Template["style"]["transition"];
}
const KEPT: readonly Kept[] = [
  { name: "words-on-picture", scenes: [newArrangement("full-picture")], words: "Bring the bench to life", time: 2000 },
  { name: "coming-in", scenes: [newArrangement("mosaic")], words: "All of it for the window", time: 320 },
  { name: "right-to-left", scenes: [newArrangement("words-only")], words: "كل ما على الطاولة قرب النافذة", time: 2000 },
  { name: "with-a-shadow", scenes: [newArrangement("cut-out-card")], words: "Fired in the yard", time: 2000 },
  {
    name: "wipe",
    scenes: [newArrangement("words-only"), newArrangement("full-picture")],
    words: "Open on Sunday",
    time: 3660,
    transition: "wipe",
  },
  {
    name: "push",
    scenes: [newArrangement("quote"), newArrangement("split")],
    words: "The best pot in town",
    time: 3660,
    transition: "push",
  },
];

/** A picture with light, edges and round shapes, drawn the same every time. */
function drawnPicture() {
  const canvas = createCanvas(PICTURE.width, PICTURE.height);
  const context = canvas.getContext("2d");
  const sky = context.createLinearGradient(0, 0, 0, PICTURE.height);
  sky.addColorStop(0, "#cfe0d8");
  sky.addColorStop(1, "#7a5a3c");
  context.fillStyle = sky;
  context.fillRect(0, 0, PICTURE.width, PICTURE.height);
  for (let index = 0; index < 14; index++) {
    context.fillStyle = `hsl(${20 + index * 9}, 55%, ${30 + (index % 5) * 9}%)`;
    context.beginPath();
    context.arc(34 * index + 20, 180 + 90 * Math.sin(index * 1.7), 18 + (index % 4) * 11, 0, 2 * Math.PI);
    context.fill();
  }
  return canvas;
}
const picture = drawnPicture();
const book = testBook();

async function painted({ scenes, words, time, transition = "crossfade" }: Kept, format: FormatName) {
  const made = template({
    slug: "kept",
    name: "Kept",
    purpose: "other",
    about: "",
    scenes: scenes.map((arrangement, index) => ({
      ...sceneOf(arrangement),
      id: `scene-${index}`,
      overlap: millis(index > 0 ? 600 : 0),
    })),
  });
  const styled: Template = { ...made, style: { ...made.style, transition } };
  const fills: Record<SlotKey, Fill> = {};
  for (const scene of styled.scenes)
    for (const slot of scene.slots)
      if (slot.kind === "media") fills[slotKey(scene, slot)] = mediaFill(PICTURE_ID);
      else if (slot.kind === "words" && slot.role === "headline")
        fills[slotKey(scene, slot)] = { kind: "words", text: words };
  const promotion = resolvePromotion(
    { ...promotionOf(styled), brand: BRAND_ID, fills },
    testFacts({
      templates: { "kept@1": styled },
      brand: { ...TEST_BRAND, logos: [] },
      media: { [PICTURE_ID]: testPicture({ ...PICTURE, levels: 1 }) },
    }),
  );
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const { width, height } = formatOf(format);
  const scale = SHORT_SIDE / Math.min(width, height);
  const size = { width: Math.round(width * scale), height: Math.round(height * scale) };
  const { canvas, context } = nodeSurface(size.width, size.height);
  createPainter(
    formatOf(format),
    size,
    resourcesWith(() => imageOf(picture)),
  ).paint(displayListAt(preparePromotion(promotion, format, book), ticksOf(time)), context);
  return canvas;
}

describe.each(KEPT)("$name", (kept) => {
  test.each(USUAL_FORMATS)("in %s is the frame that was kept", async (format) => {
    const file = `${FOLDER}/${kept.name}-${format}.png`;
    const canvas = await painted(kept, format);
    if (!existsSync(file)) {
      mkdirSync(FOLDER, { recursive: true });
      writeFileSync(file, canvas.toBuffer("image/png"));
      writeFileSync(`${FOLDER}/made-on.json`, `${JSON.stringify(HERE)}\n`);
      throw new Error(`${file} was not there and is made now: look at it.`);
    }
    const before = createCanvas(canvas.width, canvas.height);
    before.getContext("2d").drawImage(await loadImage(file), 0, 0);
    const pixelsOf = (one: typeof canvas) => one.getContext("2d").getImageData(0, 0, one.width, one.height);
    const [now, then] = [pixelsOf(canvas), pixelsOf(before)];
    if (sameMachine) expect(Buffer.compare(Buffer.from(now.data), Buffer.from(then.data))).toBe(0);
    else expect(ssim(now as ImageData, then as ImageData, { ssim: "bezkrovny" }).mssim).toBeGreaterThan(0.98);
  });
});

test("the frames that are kept differ from each other, and none is blank", () => {
  const files = KEPT.flatMap(({ name }) =>
    USUAL_FORMATS.map((format) => readFileSync(`${FOLDER}/${name}-${format}.png`)),
  );
  expect(new Set(files.map((file) => file.toString("base64"))).size).toBe(files.length);
  for (const file of files) expect(file.length).toBeGreaterThan(2000);
});
