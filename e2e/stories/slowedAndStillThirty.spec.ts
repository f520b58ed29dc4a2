import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { newPromotion, onlyIn } from "../newPromotion";
import { type Rgb, colorsIn, dropOn, isBlue, isRed } from "../ownClips";
import { signInAs } from "../people";
import { soundingClip } from "../soundingClip";
import { renderedSquare } from "../startRender";
import { openSceneTools } from "../sceneTools";

/** Thirty seconds in another order: a dip through white between two scenes, a shot slowed to 60 %, and a look that is made lighter. */

const isWhite = ({ r, g, b }: Rgb): boolean => Math.min(r, g, b) > 220;
const steps = (page: Page) => page.getByRole("list", { name: /^Steps of the look/ }).getByRole("listitem");

test("slowed to 60 % a second of the clip lasts 1.67 s and the whole still 30 s; a dip is white; exposure makes the look lighter", async ({
  page,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await onlyIn(page, "square");
  const product = page.getByRole("region", { name: /^Scene \d, Product/ });
  await dropOn(product.getByRole("button", { name: "Choose picture or clip" }), await soundingClip(folder));
  await expect(product.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  // The offer comes before the product.
  await openSceneTools(page, 2);
  await page.getByRole("button", { name: "Later" }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("region", { name: "Scene 3, Product" })).toBeVisible();

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 30 s" });
  await expect(page.getByText("4 scenes · 30.00 s")).toBeVisible();
  await page.getByRole("button", { name: "Scene 3, Product" }).first().click();
  const shot = page.getByRole("listitem", { name: /^Shot 1/ });
  await shot.getByLabel("Speed, times").fill("0.6");
  await page.getByLabel("Comes in by").selectOption({ label: "dip into colour" });
  await page.getByLabel("over (0 is a cut)").fill("24 f");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Its colour: white" }).click();
  await page.getByRole("textbox", { name: "Length", exact: true }).fill("7");
  await page.keyboard.press("Enter");
  await expect(page.getByText("4 scenes · 30.00 s")).toBeVisible();
  const start = await sceneStart(page, "Scene 3, Product");

  const plain = await renderedSquare(page, folder);
  expect((await ffprobe(plain)).video).toMatchObject({ nb_read_frames: "900" });
  const at = async (file: string, into: number): Promise<Rgb> =>
    (await colorsIn(file, [[0.75, 0.2]], start + into))[0] ?? { r: 0, g: 0, b: 0 };
  // Half way through its dip all is white; a second of the clip is seen for five thirds.
  expect(isWhite(await at(plain, 0.4))).toBe(true);
  expect([
    isRed(await at(plain, 1.55)),
    isBlue(await at(plain, 1.8)),
    isBlue(await at(plain, 3.2)),
    isBlue(await at(plain, 3.45)),
  ]).toEqual([true, true, true, false]);

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 3, Product" }).first().click();
  await page.getByRole("button", { name: /^Look of picture/ }).click();
  await page.getByRole("list", { name: "Looks" }).getByRole("button", { name: "slate" }).click();
  await expect(steps(page)).toHaveCount(1);
  const slate = await at(await renderedSquare(page, folder), 2.5);

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 3, Product" }).first().click();
  await page.getByRole("button", { name: /^Look of picture/ }).click();
  await page.getByRole("button", { name: "Change colours" }).click();
  await steps(page).nth(1).getByLabel("Exposure", { exact: true }).fill("0.6");
  await steps(page).nth(1).getByLabel("Shadows", { exact: true }).fill("40");
  const lighter = await renderedSquare(page, folder);
  const light = await at(lighter, 2.5);
  const unlooked = await at(plain, 2.5);
  expect(Math.abs(slate.b - unlooked.b) + Math.abs(slate.r - unlooked.r)).toBeGreaterThan(30);
  // Black stays black; all else gets lighter.
  expect(light.r + light.g + light.b).toBeGreaterThan(slate.r + slate.g + slate.b + 25);
  for (const channel of ["r", "g", "b"] as const) expect(light[channel]).toBeGreaterThanOrEqual(slate[channel] - 2);
  expect((await ffprobe(lighter)).video).toMatchObject({ nb_read_frames: "900" });
  await rm(folder, { recursive: true });
});

/** When a scene begins, in seconds, as its bar lies on the page. */
async function sceneStart(page: Page, name: string): Promise<number> {
  const bar = page.getByRole("group", { name: "Scenes" }).getByRole("button", { name });
  return bar.evaluate((element) => (parseFloat((element as HTMLElement).style.left) / 100) * 30);
}
