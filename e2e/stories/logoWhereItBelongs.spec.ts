import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { CARD, widest } from "../colorRuns";
import { type Place, centre, handles, placeIn } from "../handles";
import { openShortPromotion } from "../newPromotion";
import { downloadRendition } from "../ownClips";
import { renderDrafts } from "../startRender";
import { frameAt } from "../videoFrames";
import { openSceneTools } from "../sceneTools";

/** The logo is put where it belongs: in one format by keys, in another by hand, and so in every scene. */

async function takeLogo(page: Page, scene: number): Promise<void> {
  await openSceneTools(page, scene);
  await page.getByRole("button", { name: "Place the logo by hand" }).click();
  await expect(handles(page, "vertical")).toBeVisible();
}

/** In scene settings that are open for as long. */
async function inTools(page: Page, scene: number, press: string): Promise<void> {
  await openSceneTools(page, scene);
  await page.getByRole("button", { name: press }).click();
  await page.keyboard.press("Escape");
}

test("the logo is moved by keys in vertical, by hand in square, stands so in every scene, and is rendered there", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "logo-by-hand");
  // Two scenes that show it.
  await openSceneTools(page, 2);
  await page.getByLabel("Arrangement", { exact: true }).selectOption({ label: "Full picture" });
  await page.getByLabel("Logo shown").check();
  await page.keyboard.press("Escape");
  await takeLogo(page, 1);
  const [before, square, wide] = [
    await placeIn(page, "vertical"),
    await placeIn(page, "square"),
    await placeIn(page, "widescreen"),
  ];

  // 400 units down and 200 to the right, each ten at a time.
  await handles(page, "vertical").focus();
  for (let step = 0; step < 40; step++) await page.keyboard.press("Shift+ArrowDown");
  for (let step = 0; step < 20; step++) await page.keyboard.press("Shift+ArrowRight");
  const moved = { ...before, x: before.x + 200, y: before.y + 400 };
  await expect.poll(() => placeIn(page, "vertical")).toEqual(moved);
  expect(await placeIn(page, "square")).toEqual(square);

  // By hand to the other side, without snapping.
  const box = await handles(page, "square").boundingBox();
  if (!box) throw new Error("There are no handles.");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.keyboard.down("Alt");
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2 + 60, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up("Alt");
  const proof = await page.locator("[data-proof=square]").boundingBox();
  const units = 1080 / (proof?.width ?? 1);
  await expect
    .poll(async () => {
      const { x, y } = await placeIn(page, "square");
      return Math.max(Math.abs(x - square.x - 90 * units), Math.abs(y - square.y - 60 * units));
    })
    .toBeLessThan(2);
  const dragged = await placeIn(page, "square");
  expect([dragged.width, dragged.height]).toEqual([square.width, square.height]);
  expect(await placeIn(page, "widescreen")).toEqual(wide);
  await page.keyboard.press("Escape");

  await inTools(page, 1, "So in every scene");
  await takeLogo(page, 2);
  await expect.poll(async () => centre(await placeIn(page, "vertical"))).toEqual(centre(moved));
  await expect.poll(async () => centre(await placeIn(page, "square"))).toEqual(centre(dragged));
  await page.keyboard.press("Escape");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 3);
  const file = await downloadRendition(page, "vertical", folder);
  // Its plate, where it was put, and no longer where it was.
  const frame = await frameAt(file, 0.6);
  const scale = frame.width / 1080;
  const rows = ({ y, height }: Place): [number, number] => [y / 1920, (y + height) / 1920];
  const run = widest(frame, CARD, ...rows(moved));
  expect(Math.abs(run.left - moved.x * scale)).toBeLessThanOrEqual(2);
  expect(Math.abs(run.width - moved.width * scale)).toBeLessThanOrEqual(12);
  expect(widest(frame, CARD, ...rows(before)).width).toBeLessThan(0.3 * before.width * scale);

  // Given back, it is where it was.
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await inTools(page, 1, "Give the logo its usual place");
  await takeLogo(page, 1);
  await expect.poll(() => placeIn(page, "vertical")).toEqual(before);
  await rm(folder, { recursive: true });
});
