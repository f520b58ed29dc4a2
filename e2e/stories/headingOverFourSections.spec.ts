import { mkdtemp, rename, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { handles, placeIn } from "../handles";
import { newPromotion, onlyIn } from "../newPromotion";
import { coloredClip, colorsIn, dropOn, isBlue, isRed } from "../ownClips";
import { signInAs } from "../people";
import { renderedSquare } from "../startRender";
import { type VideoFrame, frameAt } from "../videoFrames";
import { openSceneTools } from "../sceneTools";

/**
 * A heading stands over four sections that look like one shot, a line under them changes, and bars in a colour of the
 * brand lie above and below a clip. One section is a repeat of another that was filled anew.
 */

const WAYS = ["Bark first", "Water from below", "Turn it weekly", "Feed in spring"] as const;
const section = (page: Page, at: number) => page.getByRole("region", { name: `Scene ${at}, Product` });

/** Moves what is called so in the square, by keys, until its upper edge is there. */
async function placeAt(page: Page, label: string, top: number): Promise<void> {
  await openSceneTools(page, 1);
  await page.getByRole("button", { name: `Place ${label} by hand` }).click();
  await expect(handles(page, "square")).toBeVisible();
  await handles(page, "square").focus();
  const { y } = await placeIn(page, "square");
  const key = y > top ? "Shift+ArrowUp" : "Shift+ArrowDown";
  for (let step = 0; step < Math.round(Math.abs(y - top) / 10); step++) await page.keyboard.press(key);
  // Wide enough for every line that is to stand there.
  for (let step = 0; step < 40; step++) await page.keyboard.press("Control+Shift+ArrowRight");
  await expect.poll(async () => Math.abs((await placeIn(page, "square")).y - top)).toBeLessThan(10);
  await page.keyboard.press("Escape");
}

/** Which pixels of a fifth of a frame are those of light letters: of the upper bar, or of the lower. */
function lettersIn({ data, width, height }: VideoFrame, bar: "upper" | "lower"): boolean[] {
  const rows = Math.round(height / 5);
  const first = bar === "upper" ? 0 : (height - rows) * width;
  return Array.from({ length: width * rows }, (_, at) => (data[(first + at) * 3] ?? 0) > 150);
}
/** How many pixels are letters in one and not in the other. */
const differing = (one: readonly boolean[], other: readonly boolean[]): number =>
  one.filter((isLetter, at) => isLetter !== other[at]).length;

test("a heading stays through four joined sections, the line below changes, one section is repeated and filled anew", async ({
  page,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Delphine Orrow");
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await onlyIn(page, "square");
  // All but the product's scene and the sign-off is taken out.
  for (const [scene, name] of [
    [1, "Headline"],
    [2, "Offer"],
  ] as const) {
    await openSceneTools(page, scene);
    await page.getByRole("button", { name: "Take out", exact: true }).click();
    await expect(page.getByRole("region", { name: `Scene ${scene}, ${name}` })).toHaveCount(0);
  }
  await openSceneTools(page, 1);
  await page.getByLabel("Arrangement", { exact: true }).selectOption({ label: "Full picture" });
  await page.keyboard.press("Escape");
  await dropOn(
    section(page, 1).getByRole("button", { name: "Choose picture or clip" }),
    await coloredClip(folder, [["red"]]),
  );
  await expect(section(page, 1).getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  await section(page, 1).getByRole("textbox", { name: "Product" }).fill("Four ways to a happy pot");
  await section(page, 1).getByRole("textbox", { name: /^Line/ }).fill(WAYS[0]);
  // The two texts are set apart from each other: one into the upper bar, one into the lower.
  await placeAt(page, "Product", 60);
  await placeAt(page, "Line", 920);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "Proof", exact: true }).click();
  await page.getByRole("button", { name: /^Scene 1, .*, square:/ }).click();
  await page.getByLabel("How it is framed").selectOption("whole");
  await page.getByRole("button", { name: "Colour: primary" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Fill", exact: true }).click();

  for (const at of [1, 2, 3]) {
    await openSceneTools(page, at);
    await page.getByRole("button", { name: "Repeat", exact: true }).click();
    await page.keyboard.press("Escape");
    await section(page, at + 1)
      .getByRole("textbox", { name: /^Line/ })
      .fill(WAYS[at] ?? "");
  }
  // The third is filled anew.
  const other = join(folder, "other-clip.mp4");
  const aside = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await rename(await coloredClip(aside, [["blue", "blue", "blue", "blue"]]), other);
  await dropOn(section(page, 3).getByRole("button", { name: "Choose picture or clip" }), other);
  await expect(section(page, 3).getByText("other-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  const starts: number[] = [];
  for (const at of [1, 2, 3, 4]) {
    await page
      .getByRole("button", { name: `Scene ${at}, Product` })
      .first()
      .click();
    await page.getByRole("textbox", { name: "Length", exact: true }).fill("3");
    await page.keyboard.press("Enter");
    if (at > 1) {
      await page.getByLabel("over (0 is a cut)").fill("18 f");
      await page.keyboard.press("Enter");
      await page.getByLabel(/^One shot with the scene before/).check();
      starts.push((starts.at(-1) ?? 0) + 2.4);
    } else starts.push(0);
  }
  const file = await renderedSquare(page, folder);
  expect((await ffprobe(file)).video).toMatchObject({ width: 480, height: 480 });

  const stands = await frameAt(file, 1.6);
  // Through every join, and in every section, the letters of the heading are where they were: what makes words legible
  // may shade the bar that they stand on a little more or less.
  const letters = lettersIn(stands, "upper");
  expect(letters.filter(Boolean).length).toBeGreaterThan(1500);
  for (const start of starts.slice(1))
    for (const seconds of [start + 0.1, start + 0.3, start + 0.5, start + 1.5]) {
      const now = lettersIn(await frameAt(file, seconds), "upper");
      expect(differing(now, letters)).toBeLessThan(letters.filter(Boolean).length * 0.03);
    }
  // The line below is another in each section.
  const lines = await Promise.all(starts.map(async (start) => lettersIn(await frameAt(file, start + 1.6), "lower")));
  lines.forEach((one, at) => {
    const own = one.filter(Boolean).length;
    expect(own).toBeGreaterThan(120);
    for (const other of lines.slice(at + 1)) expect(differing(one, other)).toBeGreaterThan(own * 0.5);
  });
  // Between the bars the first, second and fourth show one clip, the third the other.
  const shown = await Promise.all(starts.map(async (start) => (await colorsIn(file, [[0.5, 0.5]], start + 1.6))[0]));
  expect(shown.map((color) => [isRed(color), isBlue(color)])).toEqual([
    [true, false],
    [true, false],
    [false, true],
    [true, false],
  ]);
  await rm(folder, { recursive: true });
  await rm(aside, { recursive: true });
});
