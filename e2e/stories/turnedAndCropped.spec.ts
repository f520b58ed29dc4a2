import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { coloredClip, colorsIn, downloadRendition, dropOnSlot, isBlue, isRed } from "../ownClips";
import { renderDrafts } from "../startRender";
import { openShortPromotion } from "../newPromotion";

/** A clip is cropped to a part of it, turned upright, looked at pixel for pixel, and goes out as a quick file. */

test("a clip cropped to its left half and turned by a quarter covers every shape with what is left of it", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "turned-and-cropped");
  // The right half is not to be seen anywhere; of the left, red is above and blue below.
  const clip = await coloredClip(folder, [
    ["red", "white"],
    ["blue", "white"],
  ]);
  await dropOnSlot(page, "Choose picture", clip);
  await expect(page.getByText("own-clip · clip").first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole("link", { name: "On to the proofs" }).click();

  await page.getByRole("button", { name: /^Scene 1, .*, square:/ }).click();
  await page.getByRole("radio", { name: "All formats, in this scene" }).check();
  // Its right edge is pulled to the middle by keys; then the window is dragged by hand, and put back.
  const corner = page.getByRole("button", { name: /^Its bottom right corner/ });
  await corner.focus();
  for (let press = 0; press < 5; press++) await page.keyboard.press("Shift+ArrowLeft");
  const width = page.getByLabel("Width", { exact: true });
  await expect(width).toHaveValue("50");
  const used = page.getByRole("button", { name: /^The part that is used/ });
  const box = await used.boundingBox();
  if (!box) throw new Error("The window is on the picture.");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  const fromLeft = page.getByLabel("From left");
  await expect.poll(async () => Math.abs(Number(await fromLeft.inputValue()) - 25)).toBeLessThan(2);
  await page.getByLabel("Locked to").selectOption({ label: "square 1:1" });
  await expect.poll(async () => Math.abs(Number(await width.inputValue()) - 50)).toBeLessThan(0.2);
  await expect
    .poll(async () => Math.abs(Number(await page.getByLabel("Height", { exact: true }).inputValue()) - 88.9))
    .toBeLessThan(0.2);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(fromLeft).toHaveValue("0");
  await expect(width).toHaveValue("50");
  await page.getByRole("button", { name: "A quarter turn to the right" }).click();
  await expect(page.getByLabel("Turned, degrees")).toHaveValue("90");
  // Half the clip is left, of which the square shows 960 × 960 of 960 × 1080 pixels.
  await expect(page.getByTestId("framed")).toContainText("55.6 %");
  await expect(page.getByTestId("framed")).toContainText("none");

  await page.getByRole("button", { name: "Large" }).click();
  await page.getByRole("button", { name: "pixel for pixel" }).click();
  const canvas = page.getByRole("img", { name: "square proof" });
  await expect.poll(async () => Math.round((await canvas.boundingBox())?.width ?? 0)).toBe(1080);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("grid")).toBeVisible();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await renderDrafts(page, 3);
  for (const [title, width, height] of [
    ["square", 480, 480],
    ["vertical", 480, 854],
    ["widescreen", 854, 480],
  ] as const) {
    const path = await downloadRendition(page, title, folder);
    expect((await ffprobe(path)).video).toMatchObject({ width, height, nb_read_frames: "60" });
    // Turned clockwise, what was above is on the right; the logo and the words keep to the left and the foot.
    const [left, right, edge] = await colorsIn(path, [
      [0.02, 0.5],
      [0.98, 0.5],
      [0.995, 0.02],
    ]);
    expect(isBlue(left)).toBe(true);
    expect(isRed(right)).toBe(true);
    expect(isRed(edge)).toBe(true);
  }
  await rm(folder, { recursive: true });
});
