import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, chromium, expect, test } from "@playwright/test";
import { execa } from "execa";
import { type Edit } from "../core/document/edit";
import { adjust, fillSlot, putItem } from "../core/document/edits";
import { type Shots, mediaFill } from "../core/document/shots";
import { millis } from "../core/units";
import { ffmpeg } from "./files";
import { newPromotion } from "./newPromotion";
import { signInAs } from "./people";
import { goToFrame } from "./proofs";
import { anyFrames } from "./anyFrames";
import { RUNS, SEED } from "../core/testing/sample";
import { CHROMIUM } from "../server/testing/chromium";
import { bringFile } from "./bringFile";

/**
 * A clip whose every frame carries its number, as eight stripes that are dark or light, is shown at the right frame in the
 * proof: always when it stands, and never more than one off while it plays.
 */

const FPS = 30;
const FRAMES = 240;
const BITS = 8;
const SEEKS = 40 * RUNS;
const PLAIN_SEEKS = 12;

/** The promotion's slug, the id of its numbered clip, and the revision it is at. */
interface Numbered {
  readonly slug: string;
  readonly clip: string;
  readonly revision: number;
}

/** Brings the clip in and has it fill the first scene, eight seconds long, with a bar that says the time. */
async function numberedPromotion(page: Page): Promise<Numbered> {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const path = join(folder, "numbered.mp4");
  // A pixel a stripe, made as wide as the clip is.
  const source = `color=black:s=${BITS}x2:r=${FPS}:d=${FRAMES / FPS}`;
  const stripes = `format=gray,geq=lum='if(mod(floor(N/pow(2,X)),2),225,25)'`;
  const filter = `${stripes},scale=640:360:flags=neighbor,setsar=1,format=yuv420p`;
  await ffmpeg("-f", "lavfi", "-i", source, "-vf", filter, "-c:v", "libx264", "-crf", "12", path);
  const slug = await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const uploaded = await bringFile(page, "numbered.mp4", await readFile(path));
  expect(uploaded.ok()).toBe(true);
  const { id } = (await uploaded.json()) as { id: string };
  await rm(folder, { recursive: true });
  await page.goto("/media");
  await expect(page.getByText("numbered", { exact: false }).first()).toBeVisible();
  await expect.poll(async () => (await page.request.get(`/media/${id}/proxy`)).status(), { timeout: 60_000 }).toBe(200);
  const hook = { scene: "hook" };
  const bar = { item: "bar" };
  const edits: Edit[] = [
    fillSlot("hook.picture", mediaFill(id)),
    fillSlot("hook.headline", { kind: "words", text: "" }),
    adjust("length", millis((FRAMES * 1000) / FPS), { target: hook }),
    adjust("logo", false, { target: hook }),
    putItem("bar", { kind: "progress", order: "a0", from: "hook", to: "hook" }),
    adjust("tall", 0.1, { target: bar }),
    adjust("at", { x: 0.5, y: 0.95 }, { target: bar }),
  ];
  const saved = await page.request.post(`/promotions/${slug}/edits`, { data: { base: 1, edits } });
  expect(await saved.json()).toMatchObject({ refused: [] });
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  return { slug, clip: id, revision: 2 };
}

/** What a proof shows: the number of the clip's frame, and how far the bar has come, 0 to 1. */
interface Shown {
  readonly number: number;
  readonly bar: number;
}

/** What the widescreen proof shows now. */
const readProof = (page: Page): Promise<Shown> =>
  page.locator("[data-proof=widescreen] canvas").evaluate((canvas, bits) => {
    if (!(canvas instanceof HTMLCanvasElement)) throw new Error("A proof is a canvas.");
    const { width, height } = canvas;
    const copy = new OffscreenCanvas(width, height).getContext("2d");
    if (!copy) throw new Error("There is no canvas to look at it on.");
    copy.drawImage(canvas, 0, 0);
    const row = (share: number): Uint8ClampedArray => copy.getImageData(0, Math.floor(height * share), width, 1).data;
    const light = row(0.3);
    let number = 0;
    for (let bit = 0; bit < bits; bit++) {
      const at = Math.floor(((bit + 0.5) / bits) * width) * 4;
      if ((light[at + 1] ?? 0) > 110) number += 2 ** bit;
    }
    // The part of the bar that is gone is more red than the stripes under the rest of it can be.
    const bar = row(0.95);
    let gone = 0;
    for (let x = 0; x < width; x++) if ((bar[x * 4] ?? 0) - (bar[x * 4 + 2] ?? 0) > 110) gone++;
    return { number, bar: gone / width };
  }, BITS);

/** The number that a row of RGBA pixels carries, as stripes from left to right. */
function numberIn(row: Uint8Array): number {
  const width = row.length / 4;
  const bits = Array.from({ length: BITS }, (_, bit) => {
    const at = Math.floor(((bit + 0.5) / BITS) * width) * 4;
    return (row[at + 1] ?? 0) > 110 ? 2 ** bit : 0;
  });
  return bits.reduce((sum, bit) => sum + bit, 0);
}

/** Which frame of the promotion a desk's slider says is shown. */
const shownFrame = async (page: Page): Promise<number> =>
  Math.round((Number(await sliderOf(page).getAttribute("aria-valuenow")) * FPS) / 1000);
const sliderOf = (page: Page) => page.getByRole("slider", { name: "Place in time" });

/** Seeks and steps about, and expects the clip to show what the slider says each time. */
async function seekAbout(page: Page, times: number): Promise<void> {
  const slider = sliderOf(page);
  const box = await slider.boundingBox();
  const length = Number(await slider.getAttribute("aria-valuemax"));
  if (!box) throw new Error("There is no transport strip.");
  for (const [turn, wanted] of anyFrames(SEED, times, FRAMES - 20).entries()) {
    // Every fourth time a step: forth, or back over the edge of a group of pictures.
    if (turn % 4 === 3) await page.keyboard.press(turn % 8 === 3 ? "ArrowLeft" : "ArrowRight");
    else
      await slider.click({ position: { x: (((wanted + 0.5) * 1000) / FPS / length) * box.width, y: box.height / 2 } });
    const expected = await shownFrame(page);
    await expect.poll(async () => (await readProof(page)).number, { message: `frame ${expected}` }).toBe(expected);
  }
}

/**
 * What is shown while it plays from its start to half of the clip: as many plays as it takes to read more than so many frames,
 * since how many can be read of one depends on the machine.
 */
async function readWhilePlaying(page: Page, frames: number): Promise<Shown[][]> {
  const plays: Shown[][] = [];
  while (new Set(plays.flat().map(({ number }) => number)).size <= frames) {
    await sliderOf(page).focus();
    await page.keyboard.press("Home");
    // While it goes there, what was shown before may stand for a moment.
    await expect.poll(async () => (await readProof(page)).number).toBe(0);
    await page.getByRole("button", { name: "Play" }).click();
    const read: Shown[] = [];
    while ((await shownFrame(page)) < FRAMES / 2) read.push(await readProof(page));
    await page.getByRole("button", { name: "Pause" }).click();
    expect(new Set(read.map(({ number }) => number)).size).toBeGreaterThan(1);
    plays.push(read);
  }
  return plays;
}

test(`a clip stands at the right frame after each of ${SEEKS} seeks and steps, and is near while it plays (seed ${SEED})`, async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await numberedPromotion(page);
  await seekAbout(page, SEEKS);

  const seen = (await readWhilePlaying(page, 20)).flat();
  // Both are read from one painted frame: the bar tells for which moment it was painted.
  const off = seen.map(({ number, bar }) => Math.abs(number - bar * FRAMES));
  expect(Math.max(...off)).toBeLessThan(2);
  await expect.poll(async () => (await readProof(page)).number).toBe(await shownFrame(page));
});

test(`where browsers decode no frames, over plain http, it stands right after ${PLAIN_SEEKS} seeks too (seed ${SEED})`, async ({
  page,
  baseURL,
}) => {
  await signInAs(page, "Tamsin Kell");
  const { slug } = await numberedPromotion(page);
  // A server in the house, by its name: loopback alone counts as encrypted.
  const house = new URL(baseURL ?? "");
  house.hostname = "stencilcraft.example";
  const args = ["--no-sandbox", "--disable-gpu", `--host-resolver-rules=MAP ${house.hostname} 127.0.0.1`];
  const browser = await chromium.launch({ executablePath: CHROMIUM, args });
  try {
    const plain = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: house.href });
    await plain.goto("/sign-in");
    await plain.getByRole("button", { name: "Sign in as Tamsin Kell" }).click();
    await expect(plain.getByRole("heading", { name: /Good day/ })).toBeVisible();
    expect(await plain.evaluate(() => "VideoDecoder" in globalThis)).toBe(false);
    await plain.goto(`/promotions/${slug}`);
    await expect(plain.getByTestId("meters").first()).toBeVisible();
    await seekAbout(plain, PLAIN_SEEKS);
    // It follows a video that plays beside it: other frames come, in their order.
    for (const play of await readWhilePlaying(plain, 10)) {
      const numbers = play.map(({ number }) => number);
      expect([...numbers].sort((one, other) => one - other)).toEqual(numbers);
    }
    await expect.poll(async () => (await readProof(plain)).number).toBe(await shownFrame(plain));
  } finally {
    await browser.close();
  }
});

test("shots of one clip, cut, at twice the speed, backwards and held, show the same frames in the proof and in the render", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  const { slug, clip, revision } = await numberedPromotion(page);
  const shots: Shots = {
    cut: { order: "a0", media: clip, from: 30, to: 60 },
    fast: { order: "a1", media: clip, from: 100, to: 160, speed: 2 },
    back: { order: "a2", media: clip, from: 200, to: 230, reversed: true },
    held: { order: "a3", media: clip, held: 77 },
  };
  const edits = [fillSlot("hook.picture", { kind: "media", shots })];
  const saved = await page.request.post(`/promotions/${slug}/edits`, { data: { base: revision, edits } });
  expect(await saved.json()).toMatchObject({ refused: [] });
  // Each of the first three lasts a second; the last stays to the end.
  const wanted = new Map([
    [0, 30],
    [29, 59],
    [30, 100],
    [45, 130],
    [59, 158],
    [60, 229],
    [75, 214],
    [89, 200],
    [90, 77],
    [200, 77],
  ]);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  for (const [frame, number] of wanted) {
    await goToFrame(page, frame);
    await expect.poll(async () => (await readProof(page)).number, { message: `frame ${frame}` }).toBe(number);
  }
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const frames = [...wanted.keys()].join(",");
  await execa(process.execPath, ["--import", "tsx", "e2e/serverPixels.ts", slug, folder, frames]);
  const rendered = await Promise.all(
    [...wanted.keys()].map(async (frame): Promise<[number, number]> => {
      const pixels = await readFile(join(folder, `widescreen-${frame}.rgba`));
      const row = Math.floor(1080 * 0.3) * 1920 * 4;
      return [frame, numberIn(pixels.subarray(row, row + 1920 * 4))];
    }),
  );
  expect(rendered).toEqual([...wanted]);
  await rm(folder, { recursive: true });
});
