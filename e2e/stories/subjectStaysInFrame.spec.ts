import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffmpeg } from "../files";
import { frameAt } from "../videoFrames";
import { openShortPromotion } from "../newPromotion";
import { downloadRendition, dropOnSlot } from "../ownClips";
import { renderDrafts } from "../startRender";

/** What moves through a lying clip is kept in sight where the clip is cut to a standing shape; it can be set by hand. */

/** A blue square goes from left to right before a noisy ground, a quarter of the width a second. */
async function movingClip(folder: string): Promise<string> {
  const path = join(folder, "passer-by.mp4");
  const [ground, subject] = [
    "color=c=0x8a8f7a:s=1280x720:r=30:d=3,noise=alls=6:allf=t",
    "color=c=blue:s=160x160:r=30:d=3",
  ];
  const moved = "[0][1]overlay=x='87+t*320':y=133";
  await ffmpeg(
    "-f",
    "lavfi",
    "-i",
    ground,
    "-f",
    "lavfi",
    "-i",
    subject,
    "-filter_complex",
    moved,
    "-pix_fmt",
    "yuv420p",
    path,
  );
  return path;
}

/** Where the middle of what is blue is, as a share of the width; null where nothing is. */
async function blueIn(path: string, seconds: number): Promise<number | null> {
  const { data, width } = await frameAt(path, seconds);
  let [count, sum] = [0, 0];
  for (let at = 0; at < data.length; at += 3)
    if ((data[at + 2] ?? 0) > 150 && (data[at] ?? 0) < 80 && (data[at + 1] ?? 0) < 80) {
      count++;
      sum += (at / 3) % width;
    }
  return count > 200 ? sum / count / width : null;
}

test("a subject that passes by stays in the standing crop; its path is bent at a frame, given back, and switched off", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "subject-stays");
  await dropOnSlot(page, "Choose picture", await movingClip(folder));
  await expect(page.getByText("passer-by · clip").first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Scene 1, .*, vertical:/ }).click();

  const follows = page.getByRole("checkbox", { name: "Follows its subject" });
  await expect(follows).toBeChecked();
  await expect(page.getByRole("img", { name: "The path of the subject of passer-by.mp4" })).toBeVisible();

  // By hand at the frame on screen, and back.
  const across = page.getByLabel("Across %");
  const before = Number(await across.inputValue());
  await across.fill("85");
  await across.press("Enter");
  const byHand = page.getByTitle(/^Set by hand at frame \d+$/);
  await expect(byHand).toHaveCount(1);
  await expect(across).toHaveValue("85");
  await page.getByRole("button", { name: /^Back to its path at frame/ }).click();
  await expect(byHand).toHaveCount(0);
  expect(Math.abs(Number(await across.inputValue()) - before)).toBeLessThan(0.2);

  // Off in the square alone: there the middle is kept.
  await page.getByRole("button", { name: /^Scene 1, .*, square:/ }).click();
  await follows.uncheck();
  await expect(page.getByText("Kept in the middle, and its size")).toBeVisible();
  await page.getByRole("button", { name: /^Scene 1, .*, vertical:/ }).click();
  await expect(follows).toBeChecked();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await renderDrafts(page, 3);
  const vertical = await downloadRendition(page, "vertical", folder);
  const places = await Promise.all([0.1, 0.35, 0.6, 0.85].map((seconds) => blueIn(vertical, seconds)));
  for (const place of places) {
    expect(place).toBeGreaterThan(0.2);
    expect(place).toBeLessThan(0.8);
  }
  // The square stands still, so what passes by moves through it.
  const square = await downloadRendition(page, "square", folder);
  const [early, last] = await Promise.all([0.1, 0.85].map((seconds) => blueIn(square, seconds)));
  expect((last ?? 0) - (early ?? 0)).toBeGreaterThan(0.25);
  await rm(folder, { recursive: true });
});
