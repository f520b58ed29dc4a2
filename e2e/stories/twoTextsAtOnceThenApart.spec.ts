import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { newPromotion, onlyIn } from "../newPromotion";
import { signInAs } from "../people";
import { renderedSquare } from "../startRender";
import { type VideoFrame, frameAt } from "../videoFrames";

/** Two texts of a scene have times of their own: on screen at once for a second, then one after the other. */

const NAME = "Hand-thrown pot, 24 cm";
/** In the scene that shows the product, still after its crossfade, before any of its words. */
const BLANK = 3.75;

async function type(page: Page, label: string, seconds: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(seconds);
  await field.press("Enter");
}

/** The words stand under the picture, which moves. */
const UNDER_PICTURE = 0.6;

/** The rows of a frame, as shares of its height, in which something stands that is not in another. */
function rowsThatDiffer(frame: VideoFrame, blank: VideoFrame): number[] {
  const rows: number[] = [];
  for (let y = Math.floor(UNDER_PICTURE * frame.height); y < frame.height; y++) {
    let differ = 0;
    for (let x = 0; x < frame.width; x++) {
      const at = (y * frame.width + x) * 3;
      if (Math.abs((frame.data[at] ?? 0) - (blank.data[at] ?? 0)) > 60) differ++;
    }
    if (differ > 4) rows.push(y / frame.height);
  }
  return rows;
}
const meet = (rows: readonly number[], others: readonly number[]): boolean => rows.some((row) => others.includes(row));

test("a name and its line stand together for a second; moved apart, one has gone when the other comes", async ({
  page,
}) => {
  test.setTimeout(180_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "one-offer", NAME);
  await onlyIn(page, "square");
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 2, Product" }).first().click();
  const words = page.getByRole("group", { name: "When words are there" });
  const line = (await words.locator("span").nth(1).textContent()) ?? "";
  await type(page, `In: ${NAME}`, "4");
  await type(page, `Out: ${NAME}`, "5.8");
  await type(page, `In: ${line}`, "4.8");
  await expect(page.getByRole("button", { name: `“${NAME}” needs` })).toBeVisible();

  const together = await renderedSquare(page, folder);
  const frame = (seconds: number): Promise<VideoFrame> => frameAt(together, seconds);
  const blank = await frame(BLANK);
  const nameRows = rowsThatDiffer(await frame(4.7), blank);
  const lineRows = rowsThatDiffer(await frame(6.1), blank);
  expect([nameRows.length > 10, lineRows.length > 10, meet(nameRows, lineRows)]).toEqual([true, true, false]);
  const both = rowsThatDiffer(await frame(5.4), blank);
  expect([meet(both, nameRows), meet(both, lineRows)]).toEqual([true, true]);

  // Not at once: the line comes when the name has gone.
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Scene 2, Product" }).first().click();
  await type(page, `Out: ${NAME}`, "5.2");
  await type(page, `In: ${line}`, "5.2");
  const apart = await renderedSquare(page, folder);
  const [before, after] = await Promise.all([frameAt(apart, 4.8), frameAt(apart, 6)]);
  expect(meet(rowsThatDiffer(before, blank), lineRows)).toBe(false);
  expect(meet(rowsThatDiffer(before, blank), nameRows)).toBe(true);
  expect(meet(rowsThatDiffer(after, blank), nameRows)).toBe(false);
  expect(meet(rowsThatDiffer(after, blank), lineRows)).toBe(true);
  await rm(folder, { recursive: true });
});
