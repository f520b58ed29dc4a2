import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { newPromotion, onlyIn } from "../newPromotion";
import { downloadRendition } from "../ownClips";
import { signInAs } from "../people";
import { renderDrafts } from "../startRender";
import { openSceneTools } from "../sceneTools";

/** A promotion is held to a length: its scenes share the difference, and none gets too short to be read. */

const whole = (page: Page) => page.getByRole("region", { name: "The whole promotion" });
const scenes = (page: Page) => page.getByRole("group", { name: "Scenes" });

/** The lengths of all scenes, in seconds, as the page shows them. */
async function lengths(page: Page): Promise<number[]> {
  const texts = await scenes(page).getByRole("button").allInnerTexts();
  return texts.map((text) => Number(/([\d.]+) s$/.exec(text.trim())?.[1]));
}
const isSaved = (page: Page) =>
  expect(page.getByRole("status").filter({ hasText: /^\s*saved\s*$/ })).toBeVisible({ timeout: 30_000 });

test("a promotion is made 20 s, refused 3 s, held to 12 s by timecode, its scenes pulled and stepped while it stays so", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await onlyIn(page, "square");
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await expect(whole(page).getByText("15.00 s")).toBeVisible();
  const usual = await lengths(page);

  await whole(page).getByLabel("Its length is").selectOption({ label: "held to 20 s" });
  await expect(whole(page).getByText("20.00 s")).toBeVisible();
  // By their lengths: each takes its share of the five seconds.
  const long = await lengths(page);
  const sum = usual.reduce((all, one) => all + one, 0);
  long.forEach((one, at) => expect(one).toBeCloseTo((usual[at] ?? 0) * (1 + 5 / sum), 1));

  // What can't be read in so short a time is named, and the least that can be is offered.
  await whole(page).getByLabel("Held to", { exact: true }).fill("3");
  await page.keyboard.press("Enter");
  const refusal = whole(page).getByRole("alert");
  await expect(refusal).toContainText("3.0 s is too short");
  await expect(refusal.getByRole("listitem").first()).toContainText(/“.+” is read in \d\.\d s$/);
  await expect(whole(page).getByText("20.00 s")).toBeVisible();
  await refusal.getByRole("button", { name: /^Hold it to/ }).click();
  await expect(refusal).toHaveCount(0);
  const least = Number((await whole(page).getByLabel("Held to", { exact: true }).inputValue()).replace(" s", ""));
  expect(least).toBeGreaterThan(5);
  expect(least).toBeLessThan(15);
  await expect(page.getByText(`4 scenes · ${least.toFixed(2)} s`)).toBeVisible();

  await whole(page).getByLabel("Held to", { exact: true }).fill("12 parsecs");
  await expect(whole(page).getByRole("alert")).toContainText("Type seconds (4.5), frames (135 f) or a timecode");
  await whole(page).getByLabel("Held to", { exact: true }).fill("00:00:12:00");
  await page.keyboard.press("Enter");
  await expect(page.getByText("4 scenes · 12.00 s")).toBeVisible();

  // The first scene a second longer by keys, then shorter by hand: the others take it up.
  const before = await lengths(page);
  const end = page.getByRole("slider", { name: "End of scene 1" });
  await end.focus();
  for (let frame = 0; frame < 6; frame++) await page.keyboard.press("ArrowRight");
  await expect.poll(async () => (await lengths(page))[0]).toBeCloseTo((before[0] ?? 0) + 0.2, 1);
  await expect(page.getByText("4 scenes · 12.00 s")).toBeVisible();
  const box = await end.boundingBox();
  if (!box) throw new Error("The end of the scene is not there.");
  const pulled = await lengths(page);
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 20, box.y + 20, { steps: 4 });
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await lengths(page))[0]).toBeLessThan((pulled[0] ?? 0) - 0.2);
  await expect(page.getByText("4 scenes · 12.00 s")).toBeVisible();
  const settled = await lengths(page);
  await page.keyboard.press("Control+z");
  await expect.poll(() => lengths(page)).toEqual(pulled);
  await page.keyboard.press("Control+Shift+z");
  await expect.poll(() => lengths(page)).toEqual(settled);

  // A scene that comes in later makes it longer than it is held to: that is found, and one press shares it again.
  await isSaved(page);
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await openSceneTools(page, 1);
  await page.getByLabel("Length in seconds").fill("8");
  await page.keyboard.press("Escape");
  await isSaved(page);
  await page.getByRole("link", { name: "Proof", exact: true }).click();
  await page.getByRole("button", { name: /^Findings/ }).click();
  await expect(page.getByText(/^it lasts \d+\.\d s and is held to 12\.0 s$/)).toBeVisible();
  await page.getByRole("button", { name: /Share the difference/i }).click();
  await expect(page.getByText(/is held to 12\.0 s/)).toHaveCount(0);

  await renderDrafts(page, 1);
  const { video, seconds } = await ffprobe(await downloadRendition(page, "square", folder));
  expect(video).toMatchObject({ nb_read_frames: "360" });
  expect(seconds).toBeCloseTo(12, 2);
  await rm(folder, { recursive: true });
});
