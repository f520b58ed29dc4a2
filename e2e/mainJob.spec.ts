import { createHash } from "node:crypto";
import { mkdtemp, open, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { unzipSync } from "fflate";
import * as mp4box from "mp4box";
import sharp from "sharp";
import { ffmpeg, ffprobe } from "./files";
import { signInAs } from "./people";
import { startRender } from "./startRender";
import { openSceneTools } from "./sceneTools";

/** The main job, as a marketer does it: bring a picture and a clip, fill, look, render, download. */
test.describe.configure({ mode: "serial" });

let folder: string;
let jpeg: string;
let clip: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  jpeg = join(folder, "my market stall.jpg");
  clip = join(folder, "pouring.mp4");
  // A phone's picture: lying on its side, with an EXIF turn; and a phone's clip: standing, 25 frames a second, with sound.
  const stripes = Buffer.from(
    `<svg width="1600" height="1200"><defs><linearGradient id="g"><stop stop-color="#d95"/><stop offset="1" stop-color="#264"/></linearGradient></defs><rect width="1600" height="1200" fill="url(#g)"/><circle cx="1100" cy="600" r="300" fill="#fe9"/></svg>`,
  );
  await sharp(stripes).jpeg().withMetadata({ orientation: 6 }).toFile(jpeg);
  await ffmpeg(
    "-f",
    "lavfi",
    "-i",
    "testsrc2=s=720x1280:r=25:d=5",
    "-f",
    "lavfi",
    "-i",
    "sine=f=330:d=5",
    "-c:v",
    "libx264",
    "-pix_fmt",
    "yuv420p",
    "-c:a",
    "aac",
    "-shortest",
    clip,
  );
});
test.afterAll(() => rm(folder, { recursive: true }));

const card = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);

test("brings in a JPEG with the picker and an MP4 by dropping it", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(jpeg);
  await expect(card(page, "my market stall.jpg")).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
  // The EXIF turn makes it stand.
  await expect(card(page, "my market stall.jpg")).toContainText("1200 × 1600");

  const bytes = (await readFile(clip)).toString("base64");
  const transfer = await page.evaluateHandle((data) => {
    const holder = new DataTransfer();
    holder.items.add(
      new File([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], "pouring.mp4", { type: "video/mp4" }),
    );
    return holder;
  }, bytes);
  await page.locator("main").dispatchEvent("drop", { dataTransfer: transfer });
  await expect(card(page, "pouring.mp4")).toHaveAttribute("data-state", "ready", { timeout: 90_000 });
  await expect(card(page, "pouring.mp4")).toContainText("720 × 1280 · 5.0 s · 25 fps");
});

test("fills a template with them, sees three formats, and finds it all again after a reload", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/");
  await page.getByRole("link", { name: "New promotion" }).click();
  await page.getByText("Meadow seed mix", { exact: true }).click();
  await page.getByText("Potting week").click();
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await expect(page).toHaveURL(/promotions\/meadow-seed-mix/);

  const headline = page.getByLabel("Headline", { exact: true });
  await headline.fill("Sow a meadow by Sunday");
  await choose(page, "Scene 1, Headline", "Choose picture", "my market stall.jpg");
  await choose(page, "Scene 2, Product", "Choose picture or clip", "pouring.mp4");
  // Four seconds instead of fifteen: each scene is given one, or half a second more where the next comes in over it.
  for (const [scene, seconds] of [1.5, 1.5, 1.5, 1].entries()) {
    await openSceneTools(page, scene + 1);
    await page.getByLabel("Length in seconds").fill(String(seconds));
    await page.keyboard.press("Escape");
  }
  await expect(page.getByRole("slider", { name: "Place in time" })).toHaveAttribute("aria-valuemax", "4000");
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await expect(page.getByLabel("Scene 3, Offer")).toContainText("15\u00a0% off");
  for (const format of ["square", "vertical", "widescreen"])
    await expect.poll(() => tones(page, format)).toBeGreaterThan(40);

  await page.reload();
  await expect(headline).toHaveValue("Sow a meadow by Sunday");
  await expect(page.getByLabel("Scene 1, Headline")).toContainText("my market stall");
  await expect(page.getByLabel("Scene 2, Product")).toContainText("pouring · clip 5.0 s");
});

test("renders three files that are what they should be, and downloads them one by one and as a zip", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/meadow-seed-mix-one-product-one-offer/send");
  await page.getByLabel("1080p").check();
  await startRender(page, "Render 3 formats");
  await expect(page.getByRole("progressbar").first()).toBeVisible();
  for (const format of ["square", "vertical", "widescreen"])
    await expect(page.locator(`li[data-format=${format}]`).first()).toHaveAttribute("data-state", "ready", {
      timeout: 200_000,
    });

  const sizes = { square: [1080, 1080], vertical: [1080, 1920], widescreen: [1920, 1080] } as const;
  const hashes: string[] = [];
  for (const [format, [width, height]] of Object.entries(sizes)) {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page
        .getByRole("link", { name: `Download ${format}` })
        .first()
        .click(),
    ]);
    expect(download.suggestedFilename()).toBe(`meadow-seed-mix-one-product-one-offer-${format}-1080p.mp4`);
    const path = join(folder, download.suggestedFilename());
    await download.saveAs(path);
    hashes.push(
      createHash("sha256")
        .update(await readFile(path))
        .digest("hex"),
    );
    await expectGoodFile(path, width, height);
  }
  const [zip] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "All as zip" }).first().click(),
  ]);
  await zip.saveAs(join(folder, "all.zip"));
  const entries = unzipSync(await readFile(join(folder, "all.zip")));
  const manifest = JSON.parse(Buffer.from(entries["manifest.json"] ?? []).toString()) as {
    files: { file: string; sha256: string; frames: number }[];
  };
  expect(manifest.files.map(({ sha256 }) => sha256).sort()).toEqual(hashes.sort());
  for (const { file, sha256, frames } of manifest.files) {
    expect(frames).toBe(FRAMES);
    expect(
      createHash("sha256")
        .update(entries[file] ?? new Uint8Array())
        .digest("hex"),
    ).toBe(sha256);
  }
});

/** Four seconds at 30 frames a second. */
const FRAMES = 120;

async function choose(page: Page, scene: string, button: string, name: string): Promise<void> {
  await page.getByLabel(scene).getByRole("button", { name: button }).click();
  await page.getByRole("dialog").getByRole("button", { name }).click();
}

/** How many different colours a proof shows: a blank one has one. */
function tones(page: Page, format: string): Promise<number> {
  return page.locator(`[data-proof=${format}] canvas`).evaluate((canvas) => {
    if (!(canvas instanceof HTMLCanvasElement)) return 0;
    // It is painted in a worker, so what it shows is looked at on a copy.
    const copy = new OffscreenCanvas(canvas.width, canvas.height).getContext("2d");
    copy?.drawImage(canvas, 0, 0);
    const { data } = copy?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
    const seen = new Set<number>();
    for (let index = 0; index < data.length; index += 64)
      seen.add(((data[index] ?? 0) << 16) | ((data[index + 1] ?? 0) << 8) | (data[index + 2] ?? 0));
    return seen.size;
  });
}

async function expectGoodFile(path: string, width: number, height: number): Promise<void> {
  const { video, audio, seconds } = await ffprobe(path);
  expect(video).toMatchObject({
    codec_name: "h264",
    profile: "High",
    pix_fmt: "yuv420p",
    width,
    height,
    sample_aspect_ratio: "1:1",
    r_frame_rate: "30/1",
    nb_read_frames: String(FRAMES),
    color_space: "bt709",
    color_transfer: "bt709",
    color_primaries: "bt709",
    color_range: "tv",
  });
  expect(audio).toMatchObject({ codec_name: "aac", profile: "LC", sample_rate: "48000", channels: 2 });
  expect(Math.abs(seconds - FRAMES / 30)).toBeLessThan(0.05);

  // The index stands before the data, and a second reader of MP4 agrees on the frames.
  const file = mp4box.createFile();
  const info = new Promise<{ isProgressive: boolean; videoTracks: { nb_samples: number }[] }>((resolve) => {
    file.onReady = resolve;
  });
  const bytes = await readFile(path);
  file.appendBuffer(mp4box.MP4BoxBuffer.fromArrayBuffer(Uint8Array.from(bytes).buffer, 0));
  file.flush();
  const { isProgressive, videoTracks } = await info;
  expect(isProgressive).toBe(true);
  expect(videoTracks[0]?.nb_samples).toBe(FRAMES);
  const head = await open(path);
  const { buffer: start } = await head.read(Buffer.alloc(64), 0, 64, 0);
  await head.close();
  expect(start.includes("moov")).toBe(true);

  const { stderr } = await ffmpeg(
    "-i",
    path,
    "-vf",
    "blackdetect=d=0.3:pic_th=0.98,freezedetect=n=0.0001:d=1",
    "-af",
    "volumedetect",
    "-t",
    "10",
    "-f",
    "null",
    "-",
  );
  expect(stderr).not.toContain("black_start");
  expect(stderr).not.toContain("freeze_start");
  expect(Number(/mean_volume: (-?[\d.]+) dB/.exec(stderr)?.[1])).toBeGreaterThan(-40);
}
