import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { ffprobe } from "../files";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { type Rgb, colorsIn, dropOn, isBlue, isRed } from "../ownClips";
import { renderedSquare } from "../startRender";
import { openSceneTools } from "../sceneTools";

/** One scene gives way to the next through white for a chosen time, then by an edge that crosses at an angle. */

const POINTS = [
  [0.85, 0.2],
  [0.95, 0.5],
  [0.85, 0.06],
] as const;
/** The frames around the middle are half a frame off it: a twelfth of a scene still shows. */
const isWhite = ({ r, g, b }: Rgb): boolean => Math.min(r, g, b) > 220;

test("a dip through white takes 0.6 s and shows neither scene in its middle; a wipe at 90° uncovers from above", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "joined-through-white");
  await onlyIn(page, "square");
  // Red before, blue after.
  const choose = (scene: string) => page.getByRole("region", { name: scene });
  for (const [scene, color] of [
    ["Scene 1, Headline", "red"],
    ["Scene 2, Offer", "blue"],
  ] as const) {
    const path = join(folder, `all-${color}.png`);
    await sharp({ create: { width: 1920, height: 1920, channels: 3, background: color } }).toFile(path);
    await dropOn(choose(scene).getByRole("button", { name: "Choose picture" }), path);
    await expect(choose(scene).getByText(`all-${color}`)).toBeVisible({ timeout: 90_000 });
  }
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  // The picture as large as the frame, so that its colour is seen everywhere but under words.
  await openSceneTools(page, 2);
  await page.getByLabel("Arrangement", { exact: true }).selectOption({ label: "Full picture" });
  await page.keyboard.press("Escape");

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 2, Offer" }).first().click();
  await page.getByLabel("Comes in by").selectOption({ label: "dip into colour" });
  await page.getByLabel("over (0 is a cut)").fill("18 f");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Its colour: white" }).click();
  // Two scenes of 1.25 s that share 0.6 s.
  await expect(page.getByText("2 scenes · 1.90 s")).toBeVisible();
  const dipped = await renderedSquare(page, folder);
  expect((await ffprobe(dipped)).video).toMatchObject({ nb_read_frames: "57" });
  const at = (seconds: number) => colorsIn(dipped, POINTS, seconds);
  expect((await at(0.5)).map(isRed)).toEqual([true, true, true]);
  expect((await at(0.95)).map(isWhite)).toEqual([true, true, true]);
  expect((await at(1.5)).map(isBlue)).toEqual([true, true, true]);

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 2, Offer" }).first().click();
  await page.getByLabel("Comes in by").selectOption({ label: "wipe" });
  await page.getByLabel("Turned by, degrees").fill("90");
  await page.getByLabel("It goes").selectOption({ label: "even" });
  await page.getByRole("button", { name: "So into every scene" }).click();
  await expect(page.getByText("2 scenes · 1.90 s")).toBeVisible();
  const wiped = await renderedSquare(page, folder);
  // Half way it has come down to the middle.
  const [upper, , top] = await colorsIn(wiped, POINTS, 0.95);
  const [below] = await colorsIn(wiped, [[0.95, 0.62]], 0.95);
  expect([isBlue(upper), isBlue(top), isRed(below)]).toEqual([true, true, true]);
  await rm(folder, { recursive: true });
});
