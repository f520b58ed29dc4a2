import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { coloredClip, colorsIn, downloadRendition, dropOnSlot, isBlue, isRed } from "../ownClips";
import { renderDrafts } from "../startRender";
import { openShortPromotion } from "../newPromotion";

/**
 * A lying clip is shown whole in every shape: over its own blur where the shape stands, on a colour of the brand's where it
 * is square; what the desk says in numbers is what the files show. 56.25 % and bars of 236.25 are common practice.
 */

test("a lying clip is whole in the square on the brand's colour, whole over its blur where it stands, mirrored in the lying shape", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "framed-for-each");
  // Red on its left, blue on its right: what is cut away, mirrored or stretched is seen.
  await dropOnSlot(page, "Choose picture", await coloredClip(folder, [["red", "blue"]]));
  await expect(page.getByText("own-clip · clip").first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole("link", { name: "On to the proofs" }).click();

  const cell = (title: string) => page.getByRole("button", { name: new RegExp(`^Scene 1, .*, ${title}:`) });
  const framed = page.getByTestId("framed");
  const way = page.getByLabel("How it is framed");

  await cell("square").click();
  await expect(framed).toContainText("43.8 %");
  await way.selectOption("whole");
  await page.getByRole("button", { name: "Colour: sale" }).click();
  await expect(framed).toContainText("0.0 %");
  await expect(framed).toContainText("56.25 %");
  await expect(framed).toContainText("236.25 + 236.25");

  // The rest by keyboard alone: down the wall to the standing shape, then to its framing.
  await cell("square").focus();
  await page.keyboard.press("ArrowDown");
  await expect(cell("vertical")).toBeFocused();
  await expect(framed).toContainText("68.4 %");
  await way.focus();
  await page.keyboard.press("w");
  await expect(way).toHaveValue("whole");
  await page.keyboard.press("w");
  await expect(way).toHaveValue("over its blur");
  await expect(framed).toContainText("0.0 %");

  await cell("widescreen").click();
  await page.getByRole("button", { name: "Mirror" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  // The square is as it was: what is set for one shape holds there alone.
  await cell("square").click();
  await expect(way).toHaveValue("whole");
  await expect(page.getByRole("button", { name: "Mirror" })).toHaveAttribute("aria-pressed", "false");

  await renderDrafts(page, 3);

  const square = await downloadRendition(page, "square", folder);
  expect((await ffprobe(square)).video).toMatchObject({ width: 480, height: 480, nb_read_frames: "60" });
  // Bars end at 21.875 % of the height: a little before it the brand's red, a little after it the clip.
  const [bar, left, right, foot] = await colorsIn(square, [
    [0.75, 0.2],
    [0.25, 0.24],
    [0.75, 0.24],
    [0.98, 0.8],
  ]);
  expect(isRed(left)).toBe(true);
  expect(isBlue(right)).toBe(true);
  for (const color of [bar, foot]) {
    expect(isBlue(color)).toBe(false);
    expect(Math.abs((color?.r ?? 0) - 0xb3)).toBeLessThan(60);
  }

  const vertical = await downloadRendition(page, "vertical", folder);
  expect((await ffprobe(vertical)).video).toMatchObject({ width: 480, height: 854 });
  // Whole in the middle, sharp to its edges; its blur from top to foot, the same way round.
  const [aboveLeft, aboveRight, inLeft, inRight] = await colorsIn(vertical, [
    [0.05, 0.3],
    [0.95, 0.3],
    [0.03, 0.4],
    [0.97, 0.4],
  ]);
  for (const color of [aboveLeft, inLeft]) expect((color?.r ?? 0) - (color?.b ?? 0)).toBeGreaterThan(100);
  for (const color of [aboveRight, inRight]) expect((color?.b ?? 0) - (color?.r ?? 0)).toBeGreaterThan(100);

  const wide = await downloadRendition(page, "widescreen", folder);
  const [mirroredLeft, mirroredRight] = await colorsIn(wide, [
    [0.3, 0.35],
    [0.9, 0.35],
  ]);
  expect(isBlue(mirroredLeft)).toBe(true);
  expect(isRed(mirroredRight)).toBe(true);
  await rm(folder, { recursive: true });
});
