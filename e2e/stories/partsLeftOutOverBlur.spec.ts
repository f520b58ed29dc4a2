import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffmpeg, ffprobe } from "../files";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { type Rgb, colorsIn, downloadRendition, dropOnSlot, isRed } from "../ownClips";
import { renderDrafts } from "../startRender";
import { openSceneTools } from "../sceneTools";

/** A lying clip stands whole over its own blur in the standing shape; it is trimmed, and two parts of it are left out. */

const COLORS = ["red", "blue", "lime", "yellow", "magenta"] as const;

/** A second of each colour: which frames are shown is seen. */
async function coloredSeconds(folder: string): Promise<string> {
  const path = join(folder, "five-colours.mp4");
  const seconds = COLORS.flatMap((color) => ["-f", "lavfi", "-i", `color=c=${color}:s=1280x720:r=30:d=1`]);
  await ffmpeg(...seconds, "-filter_complex", `concat=n=${COLORS.length}`, "-pix_fmt", "yuv420p", path);
  return path;
}

const isLime = ({ r, g, b }: Rgb): boolean => r < 90 && g > 200 && b < 90;
const isMagenta = ({ r, g, b }: Rgb): boolean => r > 190 && g < 90 && b > 190;

/** Types where a part begins and ends. */
async function setPart(page: Page, part: string, from: number, to: number): Promise<void> {
  // The end first: a part never begins behind its end.
  await page.getByLabel(`Up to frame${part}`, { exact: true }).fill(String(to));
  await page.getByLabel(`From frame${part}`, { exact: true }).fill(String(from));
}

test("a lying clip over its own blur is trimmed, and two seconds are left out of its middle", async ({ page }) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "parts-left-out");
  await onlyIn(page, "vertical");
  await dropOnSlot(page, "Choose picture", await coloredSeconds(folder));
  const hook = page.getByRole("region", { name: "Scene 1, Headline" });
  await expect(hook.getByText("five-colours · clip 5.0 s")).toBeVisible({ timeout: 30_000 });

  await hook.getByRole("button", { name: "Trim" }).click();
  const dialog = page.getByRole("dialog", { name: "Trim five-colours" });
  await setPart(page, "", 6, 144);
  await expect(dialog.getByTestId("used")).toContainText("138 of 150 frames");
  // Blue is left out, then yellow; what is between them stays.
  await dialog.getByRole("button", { name: "Leave a part out" }).click();
  await dialog.getByLabel("Up to frame of part 1", { exact: true }).fill("30");
  await dialog.getByLabel("From frame of part 2", { exact: true }).fill("60");
  await dialog.getByRole("button", { name: "Leave a part out" }).click();
  await dialog.getByLabel("Up to frame of part 2", { exact: true }).fill("90");
  await dialog.getByLabel("From frame of part 3", { exact: true }).fill("120");
  await expect(dialog.getByTestId("used")).toContainText("78 of 150 frames · 2.60 s");
  // Put back by one press, and left out again by undo.
  await dialog.getByRole("button", { name: "Put back what follows it" }).first().click();
  await expect(dialog.getByTestId("used")).toContainText("108 of 150 frames");
  await dialog.getByRole("button", { name: "Done" }).click();
  await page.keyboard.press("Control+z");
  await expect(hook.getByText("five-colours · clip 2.6 s in 3 parts")).toBeVisible();

  await openSceneTools(page, 1);
  await page.getByLabel("Length in seconds").fill("2.9");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Scene 1, .*, vertical:/ }).click();
  await page.getByLabel("How it is framed").selectOption("over its blur");
  await expect(page.getByTestId("framed")).toContainText("0.0 %");
  await renderDrafts(page, 1);

  const path = await downloadRendition(page, "vertical", folder);
  expect((await ffprobe(path)).video).toMatchObject({ width: 480, height: 854 });
  // From side to side in the middle; red to 0.8 s, green to 1.8 s, then magenta: neither blue nor yellow is there.
  const across = [
    [0.03, 0.42],
    [0.97, 0.42],
  ] as const;
  for (const [time, is] of [
    [0.1, isRed],
    [0.7, isRed],
    [0.9, isLime],
    [1.7, isLime],
    [1.9, isMagenta],
    [2.3, isMagenta],
  ] as const) {
    const colors = await colorsIn(path, across, time);
    expect([time, ...colors.map(is)]).toEqual([time, true, true]);
  }
  // Above and below it there is its blur: neither black nor a bar of the brand's.
  const [above] = await colorsIn(path, [[0.97, 0.05]], 0.5);
  expect(Math.max(above?.r ?? 0, above?.g ?? 0, above?.b ?? 0)).toBeGreaterThan(120);
  await rm(folder, { recursive: true });
});
