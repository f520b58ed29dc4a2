import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { addItem } from "../itemsOver";
import { bringIn, openSound, toneFile } from "../lanes";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { dropOnSlot } from "../ownClips";
import { RATE, samplesOfFile, toneIn } from "../samples";
import { setTo } from "../setTo";
import { HEIGHT, soundingClip } from "../soundingClip";
import { renderedSquare } from "../startRender";

/**
 * A clip is heard at 30 %, an effect when a badge comes in, a sound of its own under one picture and one under all; then the
 * clip's sound is detached and moved. All are tones: what is audible when, and how strong, is measured.
 */
const [ALL, ONE, EFFECT] = [300, 700, 3100] as const;
/** The clip's tones, a second each. */
const [FIRST, SECOND] = [500, 1000] as const;

test("a clip at 30 %, an effect on a badge’s entrance, a sound under one picture and one under all; the clip’s sound moved", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "sounds-for-moments");
  await onlyIn(page, "square");
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await dropOnSlot(page, "Choose picture", await soundingClip(folder));
  const hook = page.getByRole("region", { name: "Scene 1, Headline" });
  await expect(hook.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  await addItem(page, "Offer", "Badge", "Half price");
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 10 s" });
  await expect(page.getByText("2 scenes · 10.00 s")).toBeVisible();
  const badge = (await page.getByRole("button", { name: /^Item “Half price”/ }).getAttribute("aria-label")) ?? "";
  const [, enters = "", leaves = ""] = /, ([\d.]+) s to ([\d.]+) s/.exec(badge) ?? [];
  const [comes, goes] = [Number(enters), Number(leaves)];
  expect(comes).toBeGreaterThan(3.2);

  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await bringIn(page, "music", await toneFile(folder, "all", ALL, 12), "all");
  await setTo(page, "all fades in for", "0");
  await setTo(page, "all fades out for", "0");
  // Under music a clip is at 30 %, and that is said.
  await expect(page.getByRole("region", { name: "Clips" })).toContainText("under music");
  await expect(page.getByLabel("Sound of all clips in per cent")).toHaveValue("30");
  await bringIn(page, "effects", await toneFile(folder, "ping", EFFECT, 0.5), "ping");
  await setTo(page, "ping begins at", comes.toFixed(3));
  // A sound of its own under the second picture, as long as that is there.
  await bringIn(page, "effects", await toneFile(folder, "under-one", ONE, 10), "under-one");
  await setTo(page, "under-one begins at", (comes + 1).toFixed(3));
  await setTo(page, "under-one is heard for", "2");

  const heard = await samplesOfFile(await renderedSquare(page, folder));
  const is = (hertz: number, from: number, to: number): number => toneIn(heard, hertz, [from, to]);
  // The clip is a third as loud as it is, each tone in its second.
  expect(Math.abs(is(FIRST, 0.1, 0.9) - 0.3 * HEIGHT)).toBeLessThan(0.02);
  expect(Math.abs(is(SECOND, 1.1, 1.9) - 0.3 * HEIGHT)).toBeLessThan(0.02);
  expect(is(FIRST, 1.1, 1.9)).toBeLessThan(0.004);
  // The effect sounds when the badge comes in, to a frame, and not before or after.
  const ping = is(EFFECT, comes + 0.05, comes + 0.45);
  expect(ping).toBeGreaterThan(0.05);
  expect(is(EFFECT, comes - 0.4, comes - 0.04) / ping).toBeLessThan(0.05);
  expect(is(EFFECT, comes + 0.55, goes) / ping).toBeLessThan(0.05);
  expect(firstOf(heard, EFFECT, comes - 0.3, ping)).toBeCloseTo(comes, 1);
  const one = is(ONE, comes + 1.1, comes + 2.9);
  expect(one).toBeGreaterThan(0.05);
  expect(is(ONE, 0.2, comes + 0.9) / one).toBeLessThan(0.05);
  expect(is(ONE, comes + 3.1, 9.8) / one).toBeLessThan(0.05);
  // One under all: as loud wherever it is listened to.
  const all = [0.3, 3, 5, 7, 9].map((time) => is(ALL, time, time + 0.8));
  for (const level of all) expect(Math.abs(20 * Math.log10(level / (all[0] ?? 1)))).toBeLessThan(0.5);

  // The clip's sound is taken from it and moved a second later; its picture stays where it was.
  await openSound(page);
  await page.getByRole("button", { name: "Detach the sound of own-clip in scene 1" }).click();
  const detached = page
    .getByRole("region", { name: "Effects", exact: true })
    .getByRole("listitem", { name: "own-clip" });
  await detached.getByRole("button", { name: /^own-clip/ }).click();
  await setTo(page, "own-clip begins at", "1");
  const moved = await samplesOfFile(await renderedSquare(page, folder));
  expect(toneIn(moved, FIRST, [0.1, 0.9])).toBeLessThan(0.004);
  expect(Math.abs(toneIn(moved, FIRST, [1.1, 1.9]) - 0.3 * HEIGHT)).toBeLessThan(0.02);
  expect(Math.abs(toneIn(moved, SECOND, [2.1, 2.9]) - 0.3 * HEIGHT)).toBeLessThan(0.02);
  await rm(folder, { recursive: true });
});

/** When a tone is first heard from a time on, in seconds: where 20 ms of it have half its strength. */
function firstOf(samples: Float32Array, hertz: number, from: number, strength: number): number {
  for (let time = from; time < samples.length / RATE - 0.02; time += 0.005)
    if (toneIn(samples, hertz, [time, time + 0.02]) > strength / 2) return time;
  return Number.NaN;
}
