import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { goToFrame } from "../proofs";
import { samplesOfFile, toneIn } from "../samples";
import { setTo } from "../setTo";
import { withMicrophone } from "../simulatedMicrophone";
import { renderedSquare } from "../startRender";
import { phaseIn, turnsApart } from "../wavePhase";

const VOICE = 800;
test.use({ launchOptions: withMicrophone(VOICE, 300) });

test("a minute is recorded while the promotion plays, and not a sample is lost", async ({ page }) => {
  test.setTimeout(480_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "a-minute-recorded");
  await onlyIn(page, "square");
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 60 s" });
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await goToFrame(page, 0);
  await page.getByRole("button", { name: "Record a voice" }).click();
  await page.getByRole("button", { name: /^Record from/ }).click();
  const timer = page.getByRole("timer");
  await expect(timer).toHaveText(/^(58|59|60)\.\d s$/, { timeout: 90_000 });
  const stop = page.getByRole("button", { name: "Stop and keep" });
  if (await stop.isVisible()) await stop.click();
  await page.getByRole("button", { name: "Done" }).click();
  const take = page.getByRole("region", { name: "Voice", exact: true }).getByRole("listitem", { name: "Take 1" });
  await expect(take).toBeVisible({ timeout: 120_000 });
  const heardFor = Number.parseFloat(await page.getByLabel("Take 1 is heard for", { exact: true }).inputValue());
  expect(heardFor).toBeGreaterThan(55);
  await setTo(page, "Take 1 begins at", "0.000");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const heard = await samplesOfFile(await renderedSquare(page, folder));
  expect(toneIn(heard, VOICE, [0.5, heardFor - 0.5])).toBeGreaterThan(0.05);
  // A sample is a sixtieth of a turn.
  const phases = Array.from({ length: 100 }, (_, at) => phaseIn(heard, VOICE, 0.5 + (at * (heardFor - 1.5)) / 100));
  for (const phase of phases) expect(turnsApart(phase, phases[0] ?? 0)).toBeLessThan(1 / 120);
  await rm(folder, { recursive: true });
});
