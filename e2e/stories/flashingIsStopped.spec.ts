import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffmpeg, ffprobe } from "../files";
import { downloadRendition, dropOnSlot } from "../ownClips";
import { renderDrafts } from "../startRender";
import { openShortPromotion } from "../newPromotion";

/** A clip that flashes is found before it is posted, blocks the render, and is swapped for a calm one. */

/** Six, less what the second begins or ends with. */
const FLASHES = /flashes [56] times in the second/;

/** A clip of four seconds that is light and dark in turn. @param perSecond how often */
async function flashingClip(folder: string, name: string, perSecond: number): Promise<string> {
  const path = join(folder, `${name}.mp4`);
  const light = `mod(floor(N/30*${perSecond}*2),2)`;
  const filter = `format=gray,geq=lum='if(${light},225,25)',scale=640:360,format=yuv420p`;
  await ffmpeg("-f", "lavfi", "-i", "color=black:s=16x9:r=30:d=4", "-vf", filter, "-c:v", "libx264", path);
  return path;
}

test("a clip that flashes six times a second is found in every format and blocks the render; a calm one mends it", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "flashing-clip");
  await dropOnSlot(page, "Choose picture", await flashingClip(folder, "strobe", 6));
  await expect(page.getByText("strobe · clip 4.0 s").first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Findings \d+$/ }).click();
  // Every frame is painted for it, while nothing else is to do.
  await expect(page.getByText(FLASHES)).toHaveCount(3, { timeout: 60_000 });
  await page.getByRole("link", { name: "On to rendering" }).click();
  await page.getByLabel("480p").check();
  await page.getByRole("button", { name: "Render 3 formats" }).click();
  const blocked = page.getByRole("alert", { name: "What must be mended" });
  await expect(blocked.getByText(FLASHES)).toHaveCount(3);

  await page.goto("/promotions/flashing-clip");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await dropOnSlot(page, "Choose picture", await flashingClip(folder, "calm", 1));
  await expect(page.getByText("calm · clip 4.0 s").first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 3);
  const { video } = await ffprobe(await downloadRendition(page, "vertical", folder));
  expect(video).toMatchObject({ width: 480, height: 854 });
  await page.goBack();
  await expect(page.getByText(/flashes/)).toHaveCount(0);
  await rm(folder, { recursive: true });
});
