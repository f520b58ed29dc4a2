import { readFile } from "node:fs/promises";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { openShortPromotion } from "../newPromotion";
import { openSceneTools } from "../sceneTools";

/** Where a promotion is to be posted is said, what is drawn over it there is seen, and what is hidden or too long is mended. */

const rows = (page: Page, words: string | RegExp) => page.getByRole("listitem").filter({ hasText: words });

async function choosePlacement(page: Page, title: string): Promise<void> {
  await page.getByRole("button", { name: /^Placements/ }).click();
  await page.getByRole("checkbox", { name: title }).check();
  await page.keyboard.press("Escape");
}

/** How much rows of a picture of the screen differ from each other, between two shares of its height: hatching does. */
async function unrest(png: Buffer, from: number, to: number): Promise<number> {
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
  let sum = 0;
  let count = 0;
  for (let y = Math.floor(from * info.height); y < to * info.height; y++)
    for (let x = 4; x < info.width - 4; x++) {
      sum += Math.abs((data[y * info.width + x] ?? 0) - (data[y * info.width + x - 1] ?? 0));
      count++;
    }
  return sum / count;
}

test("a headline under a caption is found, hatched and put back; what is too long for a placement blocks the render", async ({
  page,
}) => {
  // A designer may place what the template keeps in its place.
  await openShortPromotion(page, "clear-of-furniture", "Delphine Orrow");
  // The headline is pushed down to the foot of the vertical format.
  await openSceneTools(page, 1);
  await page.getByRole("button", { name: "Place Headline by hand" }).click();
  const handles = page.locator("[data-handles=vertical]");
  await handles.focus();
  for (let step = 0; step < 22; step++) await page.keyboard.press("Shift+ArrowDown");
  await expect(handles).toHaveAttribute("aria-label", /outside the safe area/);
  await page.keyboard.press("Escape");
  await openSceneTools(page, 1);
  await page.getByLabel("Length in seconds").fill("16");
  await page.keyboard.press("Escape");

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Findings/ }).click();
  await expect(rows(page, "is covered to")).toHaveCount(0);
  const cell = page.getByRole("button", { name: /^Scene 1, .*, vertical:/ });
  const bare = await cell.screenshot();
  await choosePlacement(page, "Vertical full screen");
  await expect(
    rows(page, /“clear-of-furniture” is covered to \d+ % by the caption of Vertical full screen/),
  ).toHaveCount(1);
  const hatched = await cell.screenshot();
  // Over the caption it is hatched, over the middle it is as it was.
  expect(await unrest(hatched, 0.86, 0.98)).toBeGreaterThan(3 * (await unrest(bare, 0.86, 0.98)));
  expect(await unrest(hatched, 0.15, 0.4)).toBeCloseTo(await unrest(bare, 0.15, 0.4), 1);

  await choosePlacement(page, "Vertical for a day");
  await expect(rows(page, /s is longer than Vertical for a day allows: 15 s/)).toHaveCount(1);
  // It is kept with the promotion, and in its report.
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: /^Findings/ }).click();
  await expect(rows(page, "longer than Vertical for a day")).toHaveCount(1);
  const link = page.getByText("Report:").getByRole("link", { name: "JSON" });
  const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
  const report = await readFile(await download.path(), "utf8");
  expect(report).toContain("fits-placements");
  expect(report).toContain("clear-of-furniture");

  await page.getByRole("link", { name: "On to rendering" }).click();
  await page.getByRole("button", { name: /^Render \d+ formats?$/ }).click();
  await expect(page.getByRole("alert", { name: "What must be mended" })).toContainText(
    "longer than Vertical for a day",
  );
  await page.goBack();

  await page.getByRole("button", { name: /^Findings/ }).click();
  await page.getByRole("button", { name: "Leave Vertical for a day out" }).click();
  await expect(rows(page, "longer than Vertical for a day")).toHaveCount(0);
  await rows(page, "by the caption of Vertical full screen")
    .getByRole("button", { name: "Put it back in its place" })
    .click();
  await expect(rows(page, "is covered to")).toHaveCount(0);
});
