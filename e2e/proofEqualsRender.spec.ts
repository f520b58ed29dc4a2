import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ssim } from "ssim.js";
import { signInAs } from "./people";
import { goToFrame, greatestDifference, paintOnServer, pixels, savedProof } from "./proofs";

/**
 * The invariant of the product: what Chromium shows as a proof is what the server renders, bit for bit before encoding.
 * The outside source is the other platform: each checks the other.
 */
const FORMATS = ["square", "vertical", "widescreen"] as const;

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
    await paintOnServer(slug, join(folder, slug), frames);
    await signInAs(page, "Tamsin Kell");
    await page.goto(`/promotions/${slug}`);
    await expect(page.getByTestId("meters").first()).toBeVisible();
    const differences: string[] = [];
    let exact = 0;
    for (const frame of frames) {
      await goToFrame(page, frame);
      for (const format of FORMATS) {
        const proof = await pixels(await savedProof(page, format));
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
