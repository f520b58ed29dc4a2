import { execFile } from "node:child_process";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { ssim } from "ssim.js";
import { signInAs } from "./people";

/**
 * The invariant of the product: what Chromium shows as a proof is what the server renders, bit for bit before encoding.
 * The outside source is the other platform: each checks the other.
 */
const FORMATS = ["square", "vertical", "widescreen"] as const;
const run = promisify(execFile);

/** Frames at 30 a second: entrances, slow zooms, crossfades, settled moments, exits, in every scene of the template. */
const PLACES = [
  ["potting-week-terracotta", [3, 11, 33, 62, 97, 122, 151, 200, 212, 220, 271, 321, 332, 342, 420]],
  ["herb-friday-tray", [5, 62, 272, 425]],
  // The other brand: its own faces, and a watermark.
  ["friday-box-warm-week", [40, 272, 425]],
] as const;
/** The clip is on screen in scene 2, from frame 90 up to 210. */
const showsClip = (frame: number): boolean => frame >= 90 && frame < 210;

let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterAll(() => rm(folder, { recursive: true }));

for (const [slug, frames] of PLACES)
  test(`every proof of ${slug} equals the render`, async ({ page }) => {
    test.setTimeout(480_000);
    await run(process.execPath, ["--import", "tsx", "e2e/serverFrames.ts", slug, join(folder, slug), frames.join(",")], { maxBuffer: 1 << 24 });
    await signInAs(page, "Tamsin Kell");
    await page.goto(`/promotions/${slug}`);
    await expect(page.getByTestId("meters").first()).toBeVisible();
    const differences: string[] = [];
    let exact = 0;
    for (const frame of frames) {
      await goToFrame(page, frame);
      for (const format of FORMATS) {
        const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: `Save this ${format} frame as PNG` }).click()]);
        const proof = await pixels(await readFile(await download.path()));
        const render = await pixels(await readFile(join(folder, slug, `${format}-${frame}.png`)));
        expect([proof.width, proof.height]).toEqual([render.width, render.height]);
        if (showsClip(frame)) {
          const { mssim } = ssim(proof, render, { ssim: "bezkrovny" });
          if (mssim < 0.98) differences.push(`${format} frame ${frame}: SSIM ${mssim.toFixed(4)}`);
        } else {
          const greatest = greatestDifference(proof.data, render.data);
          if (greatest > 0) differences.push(`${format} frame ${frame}: greatest difference ${greatest}`);
          else exact++;
        }
      }
    }
    expect(differences).toEqual([]);
    expect(exact).toBe(FORMATS.length * frames.filter((frame) => !showsClip(frame)).length);
  });

async function goToFrame(page: Page, frame: number): Promise<void> {
  const slider = page.getByRole("slider", { name: "Place in time" });
  await slider.focus();
  await page.keyboard.press("Home");
  for (let second = 0; second < Math.floor(frame / 30); second++) await page.keyboard.press("Shift+ArrowRight");
  for (let step = 0; step < frame % 30; step++) await page.keyboard.press("ArrowRight");
  await expect(slider).toHaveAttribute("aria-valuenow", String(Math.round((frame * 1000) / 30)));
}

async function pixels(png: Buffer): Promise<{ data: Uint8ClampedArray; width: number; height: number }> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
}

function greatestDifference(one: Uint8ClampedArray, other: Uint8ClampedArray): number {
  let greatest = 0;
  for (let index = 0; index < one.length; index++) greatest = Math.max(greatest, Math.abs((one[index] ?? 0) - (other[index] ?? 0)));
  return greatest;
}
