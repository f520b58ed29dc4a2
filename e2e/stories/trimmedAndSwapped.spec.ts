import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffmpeg, ffprobe } from "../files";
import { colorsIn, downloadRendition, dropOnSlot, isBlue, isRed } from "../ownClips";
import { signInAs } from "../people";
import { renderDrafts } from "../startRender";
import { putShortPromotion } from "../shortPromotion";

/** A clip is trimmed to the frame where it is filled in, and changes places with another picture by being dragged there. */

test("a clip is trimmed to its blue second, dragged, typed and stepped by keys, then swapped into the other scene", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await putShortPromotion("trimmed-and-swapped");
  // A second of red, one of blue, one of green: which frames are used is seen.
  const clip = join(folder, "own-clip.mp4");
  const seconds = ["red", "blue", "lime"].flatMap((color) => [
    "-f",
    "lavfi",
    "-i",
    `color=c=${color}:s=1280x720:r=30:d=1`,
  ]);
  await ffmpeg(...seconds, "-filter_complex", "concat=n=3", "-c:v", "libx264", "-pix_fmt", "yuv420p", clip);

  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/trimmed-and-swapped");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await dropOnSlot(page, "Choose picture", clip);
  const hook = page.getByRole("region", { name: "Scene 1, Headline" });
  await expect(hook.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 30_000 });

  await hook.getByRole("button", { name: "Trim" }).click();
  const dialog = page.getByRole("dialog", { name: "Trim own-clip" });
  await expect(dialog.getByRole("img")).toHaveJSProperty("complete", true);
  await expect
    .poll(() => dialog.getByRole("img").evaluate((img: HTMLImageElement) => img.naturalWidth))
    .toBeGreaterThan(900);
  const [first, end] = [
    dialog.getByRole("slider", { name: "First frame" }),
    dialog.getByRole("slider", { name: "End" }),
  ];
  await first.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowLeft");
  await expect(first).toHaveAttribute("aria-valuenow", "31");
  await dialog.getByLabel("From frame").fill("30");
  const strip = await dialog.getByRole("img").boundingBox();
  const hand = await end.boundingBox();
  if (!strip || !hand) throw new Error("The strip has handles.");
  await page.mouse.move(hand.x + 8, hand.y + 20);
  await page.mouse.down();
  await page.mouse.move(strip.x + strip.width * 0.7, hand.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect(end).toHaveAttribute("aria-valuenow", "63");
  await dialog.getByLabel("Up to frame").fill("60");
  await expect(dialog.getByTestId("used")).toHaveText("30 of 90 frames · 1.00 s of 3.00 s");
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(hook.getByText("own-clip · clip 1.0 s")).toBeVisible();

  // Turned by a quarter and back again by undo; then it changes places with the other scene's picture.
  await hook.getByRole("button", { name: "Turn" }).click();
  await page.keyboard.press("Control+z");
  const offer = page.getByRole("region", { name: "Scene 2, Offer" });
  const other = (await offer.getByText("own-clip").count()) === 0;
  expect(other).toBe(true);
  await hook
    .getByRole("button", { name: "Choose picture" })
    .dragTo(offer.getByRole("button", { name: "Choose picture" }));
  await expect(offer.getByText("own-clip · clip 1.0 s")).toBeVisible();
  await expect(hook.getByText("own-clip")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(hook.getByText("own-clip · clip 1.0 s")).toBeVisible();
  // By keyboard, too.
  await hook.getByRole("button", { name: /^Swap picture/ }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("menuitem", { name: /^Scene 2, / })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(offer.getByText("own-clip · clip 1.0 s")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(hook.getByText("own-clip · clip 1.0 s")).toBeVisible();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 3);
  const square = await downloadRendition(page, "square", folder);
  expect((await ffprobe(square)).video).toMatchObject({ width: 480, height: 480, nb_read_frames: "60" });
  for (const time of [0.1, 0.6]) {
    const [color] = await colorsIn(square, [[0.9, 0.3]], time);
    expect([time, isBlue(color), isRed(color)]).toEqual([time, true, false]);
  }
  await rm(folder, { recursive: true });
});
