import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { CARD, INK, type Rgb, isOf, widest } from "../colorRuns";
import { type VideoFrame, frameAt } from "../videoFrames";
import { downloadRendition } from "../ownClips";
import { addItem, setItem } from "../itemsOver";
import { renderDrafts } from "../startRender";
import { openShortPromotion } from "../newPromotion";
import { openSceneTools } from "../sceneTools";

/** Two handles stand centred and equally large in the last three seconds; a title is there all the time. */

test("two handles in the last 3 s, equal and centred; a title through the whole length; one of three texts is taken out", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "handles-at-the-end");
  // Two scenes of 3 and 4 s, the second half a second over the first: 6.5 s.
  for (const [scene, seconds] of [
    [1, "3"],
    [2, "4"],
  ] as const) {
    await openSceneTools(page, scene);
    await page.getByLabel("Length in seconds").fill(seconds);
    await page.keyboard.press("Escape");
  }
  await expect(page.getByRole("slider", { name: "Place in time" })).toHaveAttribute("aria-valuemax", "6500");

  await addItem(page, "Headline", "Label", "All this week");
  await setItem(page, "All this week", async (panel) => {
    await panel.getByLabel("To the end of").selectOption({ label: "2 Offer" });
    await panel.getByLabel("Down, %").fill("10");
    await panel.getByLabel(/^Comes in/).selectOption("slide");
  });
  for (const [words, down, size] of [
    ["@quillfern", "60", "30"],
    ["@fernquill", "75", "50"],
  ] as const) {
    await addItem(page, "Offer", "Round label", words);
    await setItem(page, words, async (panel) => {
      await panel.getByLabel("Down, %").fill(down);
      await panel.getByLabel("Size, %").fill(size);
      await panel.getByLabel(/^Stands on/).selectOption("ink");
      await panel.getByLabel("Starts later by, s").fill("1");
      await panel.getByLabel(/^Comes in/).selectOption("fade");
    });
  }
  await addItem(page, "Offer", "Text", "Never mind");
  await page.getByRole("button", { name: "Take “Never mind” out" }).click();
  await expect(page.getByRole("list", { name: "Over Offer" }).getByRole("listitem")).toHaveCount(2);
  // Both at once: the upper takes the size of the one above it in the list; in line they are already.
  await page.getByRole("checkbox", { name: "Choose “@fernquill” with others" }).check();
  await page.getByRole("checkbox", { name: "Choose “@quillfern” with others" }).check();
  const several = page.getByRole("group", { name: "Several at once" });
  await several.getByRole("button", { name: "The same size" }).click();
  await several.getByRole("button", { name: "Align at the centre" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 3);

  for (const title of ["square", "vertical"]) {
    const path = await downloadRendition(page, title, folder);
    expect((await ffprobe(path)).video).toMatchObject({ nb_read_frames: "195" });
    // The title's plate lies over whatever is there; the handles' come a second after the offer, 3.5 s in.
    const [early, before, late] = await Promise.all([1.5, 3.4, 5.5].map((time) => frameAt(path, time)));
    if (!early || !before || !late) throw new Error("The file has frames.");
    for (const frame of [early, before, late]) expect(widest(frame, CARD, 0.07, 0.13).width).toBeGreaterThan(100);
    const [first, second] = [
      [0.56, 0.64],
      [0.71, 0.79],
    ] as const;
    for (const [from, to] of [first, second]) {
      // Shadows of the picture are as dark, and short.
      expect(widest(before, INK, from, to).width).toBeLessThan(60);
      const run = widest(late, INK, from, to);
      expect(run.width).toBeGreaterThan(120);
      // As far from the left as from the right.
      expect(Math.abs(run.left - (late.width - run.left - run.width))).toBeLessThanOrEqual(2);
    }
    const [one, other] = [first, second].map(([from, to]) => plateRows(late, INK, from - 0.04, to + 0.04));
    expect(one).toBeGreaterThan(20);
    expect(Math.abs(Number(one) - Number(other))).toBeLessThanOrEqual(1);
  }
  await rm(folder, { recursive: true });
});

/** Puts one of the words that are offered over a scene, and writes in it. */
/** From the first to the last row between two shares of the height that is all of a colour in the middle: of a plate. */
function plateRows(frame: VideoFrame, color: Rgb, from: number, to: number): number {
  const rows: number[] = [];
  for (let y = Math.floor(from * frame.height); y < to * frame.height; y++) {
    const middle = Array.from({ length: 60 }, (_, index) => Math.floor(frame.width / 2) - 30 + index);
    if (middle.every((x) => isOf(frame, color, x, y))) rows.push(y);
  }
  return (rows.at(-1) ?? NaN) - (rows[0] ?? NaN);
}
