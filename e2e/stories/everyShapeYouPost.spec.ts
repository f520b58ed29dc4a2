import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { renderDrafts } from "../startRender";
import { openShortPromotion } from "../newPromotion";

/** A promotion is made in every shape that its people post, those without a name among them, with two clicks each. */

const SHAPES = [
  { title: "square", pixels: [480, 480] },
  { title: "vertical", pixels: [480, 854] },
  { title: "widescreen", pixels: [854, 480] },
  { title: "portrait", pixels: [480, 600] },
  { title: "5:7", pixels: [480, 672] },
];

test("a promotion in five shapes, one of them 5:7, is proofed and rendered in all of them; one can be left out again", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "every-shape");
  await page.getByRole("button", { name: "Formats" }).click();
  await page.getByLabel("portrait").check();
  await page.getByLabel("Across").fill("10");
  await page.getByLabel("Down").fill("14");
  await page.getByRole("button", { name: "Add shape" }).click();
  await expect(page.getByRole("img", { name: /proof$/ })).toHaveCount(SHAPES.length);
  await page.getByLabel("Across").fill("9");
  await page.getByLabel("Down").fill("2");
  await page.getByRole("button", { name: "Add shape" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "from 1:3 to 3:1" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await expect(page.getByRole("gridcell")).toHaveCount(2 * SHAPES.length);
  await renderDrafts(page, SHAPES.length);
  for (const { title, pixels } of SHAPES) {
    const link = page.getByRole("link", { name: `Download ${title}`, exact: true });
    const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
    const path = join(folder, download.suggestedFilename());
    await download.saveAs(path);
    const { video } = await ffprobe(path);
    expect([video["width"], video["height"], video["nb_read_frames"]]).toEqual([...pixels, "60"]);
  }

  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await page.getByRole("button", { name: "Formats" }).click();
  await page.getByRole("checkbox", { name: "5:7" }).click();
  await expect(page.getByRole("img", { name: /proof$/ })).toHaveCount(SHAPES.length - 1);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("img", { name: "5:7 proof" })).toBeVisible();
  await rm(folder, { recursive: true });
});
