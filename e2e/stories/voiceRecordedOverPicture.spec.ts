import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { goToFrame } from "../proofs";
import { samplesOfFile, toneIn } from "../samples";
import { withMicrophone } from "../simulatedMicrophone";
import { phaseIn, turnsApart } from "../wavePhase";
import { setTo } from "../setTo";
import { renderedSquare } from "../startRender";

/**
 * Somebody says a script while the promotion plays, says it again, hears the first take after all, moves it by 300 ms and
 * cuts it in two. The microphone is the one that Chromium simulates; what it hears is a tone of the test's own making.
 */
const VOICE = 800;
test.use({ launchOptions: withMicrophone(VOICE, 90) });

test("a voice is recorded over the picture and again, the first take is heard, moved by 300 ms and cut in two", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "recorded-voice");
  await onlyIn(page, "square");
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 10 s" });
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await page.getByText("Script, scene by scene").click();
  await page.getByLabel("Script of scene 1").fill("Come to the yard.");
  await page.getByLabel("Script of scene 2").fill("All herbs are half price.");

  // Counted in, then recorded while it plays; the script goes along.
  const record = async (seconds: RegExp): Promise<void> => {
    await page.getByRole("button", { name: /^Record from/ }).click();
    const timer = page.getByRole("timer");
    await expect(timer).toHaveText("3");
    await expect(timer).toHaveText(seconds, { timeout: 30_000 });
    await page.getByRole("button", { name: "Stop and keep" }).click();
    await page.getByRole("button", { name: "Done" }).click();
  };
  await page.getByRole("button", { name: "Record a voice" }).click();
  await expect(page.getByRole("combobox", { name: "Microphone" })).not.toHaveValue("");
  await expect
    .poll(async () => Number(await page.getByRole("meter").getAttribute("aria-valuenow")))
    .toBeGreaterThan(30);
  await expect(page.getByRole("list", { name: "Script" }).getByRole("listitem")).toHaveCount(2);
  await record(/^2\.\d s$/);
  const voice = page.getByRole("region", { name: "Voice", exact: true });
  const first = voice.getByRole("listitem", { name: "Take 1", exact: true });
  await expect(first).toBeVisible({ timeout: 90_000 });

  // Once more: the new take is heard, the first is kept.
  await voice.getByRole("button", { name: "Record it again" }).click();
  await record(/^1\.\d s$/);
  const takes = voice.getByRole("group", { name: "Takes" });
  await expect(takes.getByRole("radio", { name: "Take 2" })).toBeChecked({ timeout: 90_000 });
  const lasts = async (of: string): Promise<number> =>
    Number.parseFloat(await page.getByLabel(`${of} is heard for`, { exact: true }).inputValue());
  const second = await lasts("Take 2");
  await takes.getByRole("radio", { name: "Take 1" }).check();
  const heardFor = await lasts("Take 1");
  expect(heardFor).toBeGreaterThan(second);
  expect(heardFor).toBeGreaterThanOrEqual(2);

  const was = Number.parseFloat(await page.getByLabel("Take 1 begins at", { exact: true }).inputValue());
  await setTo(page, "Take 1 begins at", (was + 0.3).toFixed(3));
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const heard = await samplesOfFile(await renderedSquare(page, folder));
  const from = was + 0.3;
  const middle = toneIn(heard, VOICE, [from + 0.2, from + heardFor - 0.2]);
  expect(middle).toBeGreaterThan(0.05);
  expect(toneIn(heard, VOICE, [0, Math.max(0.05, from - 0.02)]) / middle).toBeLessThan(0.05);
  expect(toneIn(heard, VOICE, [from + heardFor + 0.05, from + heardFor + 0.5]) / middle).toBeLessThan(0.05);
  // Not a sample was lost: the wave goes on in step from its beginning to its end.
  const phases = Array.from({ length: 8 }, (_, at) => phaseIn(heard, VOICE, from + 0.2 + (at * (heardFor - 0.5)) / 8));
  for (const phase of phases) expect(turnsApart(phase, phases[0] ?? 0)).toBeLessThan(0.03);

  // Cut in two in its middle, the first half taken out: the second is heard where it was.
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await voice
    .getByRole("button", { name: /^Take 1/ })
    .first()
    .click();
  const cut = Math.round((from + heardFor / 2) * 30) / 30;
  await goToFrame(page, Math.round(cut * 30));
  await voice.getByRole("button", { name: "Split here" }).click();
  await expect(voice.getByRole("listitem", { name: "Take 1", exact: true })).toHaveCount(2);
  await voice.getByRole("button", { name: "Take Take 1 out" }).first().click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const half = await samplesOfFile(await renderedSquare(page, folder));
  expect(toneIn(half, VOICE, [from + 0.1, cut - 0.1]) / middle).toBeLessThan(0.05);
  expect(toneIn(half, VOICE, [cut + 0.1, from + heardFor - 0.2]) / middle).toBeCloseTo(1, 1);
  await rm(folder, { recursive: true });
});
