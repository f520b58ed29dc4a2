import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { heardOnPage, keepHeard } from "../heardOnPage";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { dropOnSlot } from "../ownClips";
import { HEIGHT, SECONDS, soundingClip } from "../soundingClip";
import { RATE, samplesOfFile, toneIn } from "../samples";
import { renderedSquare } from "../startRender";

/** A clip is heard as it is trimmed: by itself, as loud as it is set, softly under music, and not at all. */

/** While its scene is there alone; while it goes over into the next, half of it; and after it. */
const HEARD = [0.1, 0.7] as const;
const GOING = [0.86, 0.89] as const;
const AFTER = [1.3, 1.9] as const;

/** Renders as it is now, and gives the sound of the square file. */
async function rendered(page: Page, folder: string): Promise<Float32Array> {
  const file = await renderedSquare(page, folder);
  expect((await ffprobe(file)).audio).toMatchObject({ codec_name: "aac", sample_rate: String(RATE), channels: 2 });
  return samplesOfFile(file);
}

test("a clip is heard from where it is trimmed, as loud as it is set, at 30 % under music, or not at all", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await keepHeard(page);
  await openShortPromotion(page, "heard-under-music");
  await onlyIn(page, "square");
  await dropOnSlot(page, "Choose picture", await soundingClip(folder));
  const hook = page.getByRole("region", { name: "Scene 1, Headline" });
  await expect(hook.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });

  // The promotion has music, so the clip is soft, and says why.
  const level = hook.getByLabel("Sound of picture in per cent");
  await expect(level).toHaveValue("30");
  await expect(hook.getByText("under music")).toBeVisible();
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(level).toHaveValue("100");
  await hook.getByRole("button", { name: "Trim" }).click();
  const dialog = page.getByRole("dialog", { name: "Trim own-clip" });
  await dialog.getByLabel("From frame").fill("30");
  await dialog.getByLabel("Up to frame").fill("60");
  await dialog.getByRole("button", { name: "Done" }).click();

  const whole = await rendered(page, folder);
  expect(whole.length / RATE).toBeCloseTo(2, 1);
  expect(toneIn(whole, 1000, HEARD)).toBeCloseTo(HEIGHT, 2);
  // It goes as its scene goes, at equal power: half a second, of which a quarter has passed here.
  expect(toneIn(whole, 1000, GOING)).toBeCloseTo(HEIGHT * Math.cos(Math.PI / 8), 2);
  // What was trimmed away is not heard, and past its end there is silence, while its last frame stands.
  expect(Math.max(...SECONDS.map((hertz) => toneIn(whole, hertz, AFTER)))).toBeLessThan(0.002);
  expect(Math.max(toneIn(whole, 500, HEARD), toneIn(whole, 2000, HEARD))).toBeLessThan(0.002);

  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await level.fill("50");
  await expect(hook.getByRole("button", { name: "Reset" }).first()).toBeVisible();
  await expect.poll(async () => toneIn((await heardOnPage(page))[0], 1000, HEARD)).toBeCloseTo(HEIGHT / 2, 2);
  const [proof] = await heardOnPage(page);
  const half = await rendered(page, folder);
  // What is heard on the desk is what is rendered, but for what AAC takes away: no more than a hundredth of it.
  const apart = proof.reduce((sum, sample, at) => sum + (sample - (half[at] ?? 0)) ** 2, 0);
  const all = proof.reduce((sum, sample) => sum + sample ** 2, 0);
  expect(proof).toHaveLength(2 * RATE);
  expect(apart / all).toBeLessThan(0.0001);

  // One control for all clips takes the place of what one had; undo brings it back.
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await page.getByRole("button", { name: "Sound of all clips", exact: true }).click();
  await expect(level).toHaveValue("0");
  await expect(hook.getByText("like all clips")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(level).toHaveValue("50");
  await page.keyboard.press("Control+Shift+z");
  await expect(level).toHaveValue("0");
  const silent = await rendered(page, folder);
  expect(toneIn(silent, 1000, HEARD)).toBeLessThan(0.0005);

  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await page.getByRole("region", { name: "Sound" }).getByRole("button", { name: "Reset" }).click();
  await page.getByLabel("Music").selectOption({ index: 1 });
  await expect(level).toHaveValue("30");
  const under = await rendered(page, folder);
  expect(Math.abs(toneIn(under, 1000, HEARD) - 0.3 * HEIGHT)).toBeLessThan(0.02);
  // The music goes on when the clip has ended.
  const loudness = under.subarray(1.2 * RATE, 1.6 * RATE).reduce((sum, sample) => Math.max(sum, Math.abs(sample)), 0);
  expect(loudness).toBeGreaterThan(0.02);
  await rm(folder, { recursive: true });
});
