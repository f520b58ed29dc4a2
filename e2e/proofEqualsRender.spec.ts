import { expect, test } from "@playwright/test";
import { ssim } from "ssim.js";
import { signInAs } from "./people";
import { FORMATS, bothSides, difference } from "./proofs";

/**
 * The invariant of the product: what Chromium shows as a proof is what the server renders, bit for bit before encoding.
 * The outside source is the other platform: each checks the other.
 */

/** Frames at 30 a second: entrances, slow zooms, crossfades, settled moments, exits, in every scene of the template. */
const PLACES = [
  ["potting-week-terracotta", [3, 11, 62, 97, 122, 212, 271, 332, 342, 420]],
  ["herb-friday-tray", [5, 122, 425]],
  // The other brand: its own faces, and a watermark.
  ["friday-box-warm-week", [40, 122, 425]],
] as const;
/** The clip is on screen in scene 2, from frame 90 up to 210. */
const showsClip = (frame: number): boolean => frame >= 90 && frame < 210;

for (const [slug, frames] of PLACES)
  test(`every proof of ${slug} equals the render`, async ({ page }) => {
    test.setTimeout(480_000);
    await signInAs(page, "Tamsin Kell");
    await page.goto(`/promotions/${slug}`);
    await expect(page.getByTestId("meters").first()).toBeVisible();
    const compared = { exact: 0, alike: 0 };
    for await (const side of bothSides(page, slug, frames))
      if (showsClip(side.frame)) {
        expect(
          ssim(side.proof, side.render, { ssim: "bezkrovny" }).mssim,
          `${side.format} frame ${side.frame}`,
        ).toBeGreaterThanOrEqual(0.98);
        compared.alike++;
      } else {
        expect(difference(side)).toBeNull();
        compared.exact++;
      }
    const alike = frames.filter(showsClip).length * FORMATS.length;
    expect(compared).toEqual({ exact: frames.length * FORMATS.length - alike, alike });
  });
