import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { colorsIn, dropOnSlot, isBlue, isRed } from "../ownClips";
import { samplesOfFile, toneIn } from "../samples";
import { renderedSquare } from "../startRender";
import { HEIGHT, soundingClip } from "../soundingClip";

/** A clip is made faster and runs backwards, is split where it is looked at and put in another order: seen and heard alike. */

const shots = (page: Page) => page.getByRole("listitem", { name: /^Shot \d/ });
/** What the picture shows at a time, well inside the clip's part of it. */
async function colorAt(path: string, seconds: number): Promise<string> {
  const [color] = await colorsIn(path, [[0.9, 0.3]], seconds);
  if (isRed(color)) return "red";
  if (isBlue(color)) return "blue";
  return color && color.g > 160 && color.r < 90 && color.b < 90 ? "lime" : JSON.stringify(color);
}
test("twice as fast and backwards, then split at its first second and turned round: pictures and tones go together", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "cut-and-turned");
  await onlyIn(page, "square");
  await dropOnSlot(page, "Choose picture", await soundingClip(folder));
  await expect(page.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await page.getByRole("link", { name: "Pace", exact: true }).click();

  const [first] = [shots(page).first()];
  await expect(first).toContainText("3.00 of 3.00 s used");
  await page.getByRole("button", { name: "As its clip lasts: 3.00 s" }).click();
  await first.getByLabel("Speed, times").fill("2");
  await expect(page.getByRole("button", { name: "own-clip.mp4 in scene 1, 2 times as fast" })).toBeVisible();
  await page.getByRole("button", { name: "As its clip lasts: 1.50 s" }).click();
  await first.getByLabel("backwards").check();
  await expect(first).toContainText("1.50 s on screen");
  const fast = await renderedSquare(page, folder);
  // 1.5 s and 1.25 s, which share half a second: 67.5 frames.
  expect((await ffprobe(fast)).video).toMatchObject({ nb_read_frames: "68" });
  expect([await colorAt(fast, 0.2), await colorAt(fast, 0.7)]).toEqual(["lime", "blue"]);
  const high = await samplesOfFile(fast);
  // At twice the speed a tone is an octave higher.
  expect(toneIn(high, 4000, [0.1, 0.4])).toBeCloseTo(HEIGHT, 1);
  expect(toneIn(high, 2000, [0.6, 0.9])).toBeCloseTo(HEIGHT, 1);
  expect(toneIn(high, 2000, [0.1, 0.4])).toBeLessThan(0.01);

  // As it was, three seconds long, and split at the first.
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await first.getByLabel("Speed, times").fill("1");
  await first.getByLabel("backwards").uncheck();
  await page.getByRole("button", { name: "As its clip lasts: 3.00 s" }).click();
  await page.getByRole("slider", { name: "Place in time" }).focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByTestId("time")).toHaveText("00:01.00");
  await page.getByRole("button", { name: "Split picture here" }).click();
  await expect(shots(page)).toHaveCount(2);
  await expect(shots(page).nth(0)).toContainText("1.00 of 3.00 s used");
  await expect(shots(page).nth(1)).toContainText("2.00 of 3.00 s used");
  await page.getByRole("button", { name: "Move shot 2 earlier" }).click();
  await expect(shots(page).nth(0)).toContainText("2.00 of 3.00 s used");
  // Slipped by a frame and back again, it is where it was.
  await page.getByRole("button", { name: "Slip shot 1 back by a frame" }).click();
  await expect(shots(page).nth(0).getByLabel("From frame")).toHaveValue("29");
  await page.getByRole("button", { name: "Slip shot 1 on by a frame" }).click();
  await expect(shots(page).nth(0).getByLabel("From frame")).toHaveValue("30");
  const turned = await renderedSquare(page, folder);
  expect([await colorAt(turned, 0.5), await colorAt(turned, 1.5), await colorAt(turned, 2.3)]).toEqual([
    "blue",
    "lime",
    "red",
  ]);
  const heard = await samplesOfFile(turned);
  for (const [hertz, part] of [
    [1000, [0.1, 0.9]],
    [2000, [1.1, 1.9]],
    [500, [2.1, 2.4]],
  ] as const)
    expect([hertz, Math.abs(toneIn(heard, hertz, part) - HEIGHT) < 0.01]).toEqual([hertz, true]);
  await rm(folder, { recursive: true });
});
