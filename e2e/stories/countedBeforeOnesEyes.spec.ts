import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { type VideoFrame, frameAt } from "../videoFrames";
import { downloadRendition } from "../ownClips";
import { openShortPromotion } from "../newPromotion";
import { bothSides } from "../proofs";
import { setItem } from "../itemsOver";
import { renderDrafts } from "../startRender";
import { openSceneTools } from "../sceneTools";

/** A number is counted up on a plate, a word stands out in a second colour, and lines have their numbers. */

test("a counter counts to its number and stays there; a word stands out; the proof is what is rendered", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "counted-up");
  await openSceneTools(page, 1);
  await page.getByLabel("Length in seconds").fill("3");
  await page.keyboard.press("Escape");

  // Over a picture that leaves no second colour to be read, the word is underlined; it is counted as it is read.
  const headline = page.getByLabel("Headline", { exact: true }).first();
  await headline.fill("Last pots");
  await headline.press("Home");
  await page.getByRole("button", { name: "Let what is chosen stand out" }).first().click();
  await expect(headline).toHaveValue("*Last* pots");
  await expect(page.getByText("9 of 40")).toBeVisible();

  await add(page, "To a number", "# sold");
  await setItem(page, "# sold", async () => {
    await page.getByLabel("Down, %").fill("50");
    await page.getByLabel("Up to", { exact: true }).fill("250");
    await page.getByLabel("Starting at").fill("0");
    await page.getByLabel(/^Stands on/).selectOption("card");
    await page.getByLabel(/^Comes in/).selectOption("fade");
  });
  await add(page, "Label", "Only\ntoday");
  const label = page.getByRole("list", { name: "Over Headline" }).getByRole("textbox").first();
  await label.press("End");
  await page
    .getByRole("list", { name: "Over Headline" })
    .getByRole("button", { name: "Let what is chosen" })
    .first()
    .click();
  await expect(label).toHaveValue("Only\n*today*");
  await setItem(page, "Only *today*", async () => {
    await page.getByLabel("Down, %").fill("30");
    await page.getByRole("button", { name: "Emphasis: sale" }).click();
    await page.getByLabel(/^Comes in/).selectOption("still");
  });
  // A line of bars moves with the tune.
  await put(page, "Sound wave");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  for await (const { format, frame, proof, render } of bothSides(page, "counted-up", [24, 40, 75]))
    expect(Buffer.compare(Buffer.from(proof.data), Buffer.from(render.data)), `${format}, frame ${frame}`).toBe(0);

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 3);
  for (const title of ["square", "vertical", "widescreen"]) {
    const path = await downloadRendition(page, title, folder);
    // It has come in after 0.45 s and counts for 1.5 s.
    const [early, later, done, still] = await Promise.all([0.6, 1, 2.05, 2.3].map((time) => frameAt(path, time)));
    if (!early || !later || !done || !still) throw new Error("The file has frames.");
    expect(differenceOf(early, later)).toBeGreaterThan(3);
    expect(differenceOf(later, done)).toBeGreaterThan(3);
    expect(differenceOf(done, still)).toBeLessThan(1);
    expect(accentRows(later)).not.toEqual(accentRows(still));
    // “Only” stands over “today” on the label.
    expect(saleIn(done, -0.08, -0.01)).toBe(0);
    expect(saleIn(done, 0.01, 0.08)).toBeGreaterThan(50);
  }
  await rm(folder, { recursive: true });
});

test("a counter to a day that has passed is found, and taken out by one press", async ({ page }) => {
  await openShortPromotion(page, "counted-too-late");
  await add(page, "To a date", "# days to go");
  await setItem(page, "# days to go", async () => {
    await page.getByLabel("Days until").fill("2026-01-06");
  });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Findings \d+$/ }).click();
  const passed = page.getByText("it counts to 2026-01-06, which has passed");
  await expect(passed.first()).toBeVisible();
  await page
    .getByRole("button", { name: /Take out/ })
    .first()
    .click();
  await expect(passed).toHaveCount(0);
});

async function put(page: Page, preset: string): Promise<void> {
  await page.getByRole("button", { name: "Put something over scene Headline" }).click();
  await page.getByRole("button", { name: preset, exact: true }).click();
}

async function add(page: Page, preset: string, words: string): Promise<void> {
  await put(page, preset);
  await page.getByRole("list", { name: "Over Headline" }).getByRole("textbox").first().fill(words);
}

/** The mean difference of two frames in the middle, where the counter's plate is, of 255. */
function differenceOf(one: VideoFrame, other: VideoFrame): number {
  const short = Math.min(one.width, one.height);
  const [left, top] = [Math.round(one.width / 2 - short * 0.12), Math.round(one.height / 2 - short * 0.025)];
  let [sum, count] = [0, 0];
  for (let y = top; y < top + Math.round(short * 0.05); y++)
    for (let x = left; x < left + Math.round(short * 0.24); x++, count++)
      sum += Math.abs((one.data[(y * one.width + x) * 3] ?? 0) - (other.data[(y * one.width + x) * 3] ?? 0));
  return sum / count;
}

/** How many pixels of the brand's accent each row of the wave has, left of the middle: what was heard already. */
function accentRows({ data, width, height }: VideoFrame): number[] {
  const short = Math.min(width, height);
  const top = Math.round(height * 0.9 - short * 0.04);
  return Array.from({ length: Math.round(short * 0.08) }, (_, row) => {
    let count = 0;
    for (let x = Math.round(width * 0.16); x < width * 0.49; x++) {
      const [r = 0, g = 0, b = 0] = data.subarray(((top + row) * width + x) * 3);
      if (Math.abs(r - 0xc9) < 26 && Math.abs(g - 0x60) < 26 && Math.abs(b - 0x3a) < 26) count++;
    }
    return count;
  });
}

/** How many pixels of the brand's sale colour there are in the middle, from so far above the label's middle to so far under it. */
function saleIn({ data, width, height }: VideoFrame, from: number, to: number): number {
  const short = Math.min(width, height);
  const [left, top] = [Math.round(width / 2 - short * 0.13), Math.round(height * 0.3 + short * from)];
  let count = 0;
  for (let y = top; y < height * 0.3 + short * to; y++)
    for (let x = left; x < left + short * 0.26; x++) {
      const [r = 0, g = 0, b = 0] = data.subarray((y * width + x) * 3);
      if (r > 140 && g < 80 && b < 75) count++;
    }
  return count;
}
