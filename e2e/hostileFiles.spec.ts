import { mkdtemp, readFile, readdir, rm, writeFile } from "node:fs/promises";
import { createServer } from "node:http";
import { type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { ffmpeg } from "./files";
import { signInAs } from "./people";

/** Files that are broken, too large, lying about themselves or meant to harm: each gets clear words, and nothing is lost. */
let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterAll(() => rm(folder, { recursive: true }));

async function bring(page: Page, name: string, contents?: string | Buffer): Promise<void> {
  const path = join(folder, name);
  if (contents !== undefined) await writeFile(path, contents);
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(path);
}

const refusal = (page: Page) => page.getByLabel("Uploads").getByRole("alert");
const card = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);

test.beforeEach(async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
});

test("a text file named .mp4", async ({ page }) => {
  await bring(page, "holiday.mp4", "Dear diary, this is not a film.");
  await expect(refusal(page)).toContainText("“holiday.mp4” is plain text inside");
});

test("a file of no bytes", async ({ page }) => {
  await bring(page, "empty.jpg", "");
  await expect(refusal(page)).toContainText("“empty.jpg” is empty (0 bytes)");
});

test("an MP4 cut off in the middle", async ({ page }) => {
  const whole = join(folder, "whole.mp4");
  await ffmpeg("-f", "lavfi", "-i", "testsrc2=s=320x240:r=25:d=4", "-c:v", "libx264", "-pix_fmt", "yuv420p", whole);
  const bytes = await readFile(whole);
  await bring(page, "cut-off.mp4", bytes.subarray(0, bytes.length >> 1));
  await expect(card(page, "cut-off.mp4")).toHaveAttribute("data-state", "failed");
  await expect(card(page, "cut-off.mp4")).toContainText("cut short or damaged");

  const early = join(folder, "early.mp4");
  await ffmpeg("-i", whole, "-c", "copy", "-movflags", "+faststart", early);
  const indexed = await readFile(early);
  await bring(page, "cut-off-late.mp4", indexed.subarray(0, Math.round(indexed.length * 0.5)));
  await expect(card(page, "cut-off-late.mp4")).toHaveAttribute("data-state", "failed", { timeout: 30_000 });
  await expect(card(page, "cut-off-late.mp4")).toContainText(/cut short|can't be read/);
});

test("a PNG of 30 000 × 30 000 pixels", async ({ page }) => {
  const flat = await sharp({
    create: { width: 30_000, height: 30_000, channels: 3, background: "#c0402a" },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 1 })
    .toBuffer();
  await bring(page, "wall-sized.png", flat);
  await expect(card(page, "wall-sized.png")).toHaveAttribute("data-state", "failed", { timeout: 30_000 });
  await expect(card(page, "wall-sized.png")).toContainText("30000 × 30000 pixels; the limit is 120 million");
});

test("a clip of three hours", async ({ page }) => {
  const path = join(folder, "all-day.mp4");
  await ffmpeg(
    "-f",
    "lavfi",
    "-i",
    "color=c=green:s=64x64:r=1:d=10800",
    "-c:v",
    "libx264",
    "-preset",
    "ultrafast",
    "-pix_fmt",
    "yuv420p",
    path,
  );
  await bring(page, "all-day.mp4");
  await expect(card(page, "all-day.mp4")).toHaveAttribute("data-state", "failed");
  await expect(card(page, "all-day.mp4")).toContainText("“all-day.mp4” lasts 3 h 0 min; the limit is 10 min");
});

test("an SVG with a script, and one that refers outside: refused, and nothing is fetched", async ({ page }) => {
  let fetched = 0;
  const outside = createServer((_request, response) => {
    fetched++;
    response.end();
  });
  await new Promise<void>((done) => outside.listen(0, "127.0.0.1", done));
  const { port } = outside.address() as AddressInfo;
  await bring(
    page,
    "script.svg",
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><script>alert(1)</script><rect width="10" height="10"/></svg>',
  );
  await expect(card(page, "script.svg")).toContainText("contains a script, which is not allowed");
  await bring(
    page,
    "outside.svg",
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><image href="http://127.0.0.1:${port}/x.png" width="10" height="10"/></svg>`,
  );
  await expect(card(page, "outside.svg")).toContainText(
    "refers to something outside of itself, which is never fetched",
  );
  expect(fetched).toBe(0);
  outside.close();
});

test("a name with slashes and control characters is shown tamed", async ({ page }) => {
  const png = await sharp({ create: { width: 200, height: 160, channels: 3, background: "#2a6249" } })
    .png()
    .toBuffer();
  const response = await page.request.post(
    `/media/upload?name=${encodeURIComponent("../../etc/\u0000\u001bevil\u202egnp.png")}`,
    { data: png, headers: { "content-type": "application/octet-stream" } },
  );
  expect(response.status()).toBe(201);
  expect(await response.json()).toMatchObject({ name: "evilgnp.png" });
});

test("pictures of every kind that is promised are read in", async ({ page }) => {
  const picture = sharp({ create: { width: 640, height: 480, channels: 3, background: "#c9603a" } });
  const kinds = {
    "one.webp": await picture.clone().webp().toBuffer(),
    "two.avif": await picture.clone().avif().toBuffer(),
    "three.png": await picture.clone().png().toBuffer(),
    "four.jpg": await picture.clone().toColourspace("cmyk").jpeg().toBuffer(),
  };
  for (const [name, bytes] of Object.entries(kinds)) await writeFile(join(folder, name), bytes);
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(Object.keys(kinds).map((name) => join(folder, name)));
  for (const name of Object.keys(kinds)) {
    await expect(card(page, name)).toHaveAttribute("data-state", "ready", { timeout: 30_000 });
    // Brought to sRGB: the colour is the one that was drawn, give or take what a printing profile loses.
    const shown = await page.request.get((await card(page, name).locator("img").getAttribute("src")) ?? "");
    const { data } = await sharp(await shown.body())
      .raw()
      .toBuffer({ resolveWithObject: true });
    for (const [channel, value] of [0xc9, 0x60, 0x3a].entries())
      expect(Math.abs((data[channel] ?? 0) - value)).toBeLessThan(name === "four.jpg" ? 45 : 4);
  }
});

test("clips of other makes are read in: turned, oddly shaped pixels, changing rate, ten bits, no sound, other codecs", async ({
  page,
}) => {
  const source = ["-f", "lavfi", "-i", "testsrc2=s=320x180:r=30:d=2"];
  const make = (name: string, ...args: string[]): Promise<unknown> => ffmpeg(...source, ...args, join(folder, name));
  await make("plain.mp4", "-c:v", "libx264", "-pix_fmt", "yuv420p");
  await ffmpeg(
    "-display_rotation",
    "90",
    "-i",
    join(folder, "plain.mp4"),
    "-c",
    "copy",
    join(folder, "turned.mov"),
  ).catch(() =>
    ffmpeg("-i", join(folder, "plain.mp4"), "-c", "copy", "-metadata:s:v:0", "rotate=90", join(folder, "turned.mov")),
  );
  await make("wide-pixels.mp4", "-vf", "setsar=2/1", "-c:v", "libx264", "-pix_fmt", "yuv420p");
  await make("ten-bit.mp4", "-c:v", "libx265", "-pix_fmt", "yuv420p10le", "-tag:v", "hvc1");
  await make(
    "uneven.mp4",
    "-vf",
    "select='not(mod(n\\,3))+lt(n\\,20)'",
    "-vsync",
    "vfr",
    "-c:v",
    "libx264",
    "-pix_fmt",
    "yuv420p",
  );
  await make("garden.webm", "-c:v", "libvpx-vp9", "-b:v", "300k", "-deadline", "realtime");
  await make("edit.mov", "-c:v", "prores_ks", "-pix_fmt", "yuv422p10le");
  const expected = {
    "turned.mov": "180 × 320",
    "wide-pixels.mp4": "640 × 180",
    "ten-bit.mp4": "320 × 180 · 2.0 s",
    "uneven.mp4": "320 × 180 · 1.9 s",
    "garden.webm": "320 × 180 · 2.0 s",
    "edit.mov": "320 × 180 · 2.0 s",
  };
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(Object.keys(expected).map((name) => join(folder, name)));
  for (const [name, facts] of Object.entries(expected)) {
    await expect(card(page, name)).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
    await expect(card(page, name)).toContainText(facts);
  }
});

test("nothing is left where uploads come in", async () => {
  expect(await readdir(join(process.env["STENCILCRAFT_DATA"] ?? "", "incoming"))).toEqual([]);
});

test("an upload can be cancelled", async ({ page }) => {
  await page.route("**/media/upload*", async (route) => {
    await new Promise((done) => page.once("close", done));
    await route.abort().catch(() => undefined);
  });
  await bring(
    page,
    "slow.jpg",
    await sharp({ create: { width: 300, height: 200, channels: 3, background: "#222" } })
      .jpeg()
      .toBuffer(),
  );
  await page.getByRole("button", { name: "Cancel slow.jpg" }).click();
  await expect(page.getByLabel("Uploads")).toBeHidden();
});
