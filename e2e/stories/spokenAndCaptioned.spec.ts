import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { openSound, toneFile } from "../lanes";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { samplesOfFile, toneIn } from "../samples";
import { setTo } from "../setTo";
import { renderedSquare } from "../startRender";

/**
 * A script is typed and spoken, one sentence is replaced by a take of one’s own, which is shifted; music goes on
 * softly under it, and what is said is shown as captions. The take and the music are tones: what is audible when is measured.
 */

const [TAKE, MUSIC] = [1250, 440] as const;
const SCRIPT = "Come to the yard on Friday. All herbs are $(half) price, it's true. Bring a friend!";

test("a script is spoken, a sentence replaced by a take that is shifted, over soft music, and shown as captions", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "spoken-script");
  await onlyIn(page, "square");
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 10 s" });
  await expect(page.getByText("2 scenes · 10.00 s")).toBeVisible();
  await page.getByRole("button", { name: "Sound", exact: true }).click();

  // Nothing to say is nothing to press.
  await page.getByRole("button", { name: "Have a script spoken" }).click();
  const dialog = page.getByRole("dialog", { name: "What is said" });
  await dialog.getByLabel(/Script, spoken from/).fill(" … ");
  await expect(dialog.getByRole("button", { name: "Speak 0 sentences" })).toBeDisabled();
  await dialog.getByLabel(/Script, spoken from/).fill(SCRIPT);
  await dialog.getByLabel("Words a minute").fill("200");
  await expect(dialog.getByRole("list", { name: "Sentence by sentence" }).getByRole("listitem")).toHaveCount(3);
  await dialog.getByRole("button", { name: "Speak 3 sentences" }).click();
  await expect(dialog).toBeHidden({ timeout: 90_000 });
  const voice = page.getByRole("region", { name: "Voice", exact: true });
  await expect(voice.getByRole("listitem")).toHaveCount(3);

  // What is only heard is found, and shown by one press.
  await page.getByRole("link", { name: "Proof", exact: true }).click();
  await page.getByRole("button", { name: /^Findings/ }).click();
  const found = page.getByRole("listitem").filter({ hasText: "can only be heard" });
  await expect(found).toContainText("“Come to the yard on Friday.” and 2 more");
  await found.getByRole("button", { name: "Show it as captions" }).click();
  await expect(found).toHaveCount(0);

  // A take of one's own in the place of the last sentence, 300 ms later; and music at 20 % under all of it.
  await openSound(page);
  await page.getByLabel("Bring in a file for effects").setInputFiles(await toneFile(folder, "take", TAKE, 2));
  await expect(page.getByRole("listitem", { name: "take", exact: true })).toBeVisible({ timeout: 90_000 });
  await page.getByRole("button", { name: "Take take out" }).click();
  await page.getByLabel("Bring in a file for music").setInputFiles(await toneFile(folder, "tune", MUSIC, 12));
  await expect(page.getByRole("listitem", { name: "tune", exact: true })).toBeVisible({ timeout: 90_000 });
  await page.getByLabel("or per cent").fill("20");
  await setTo(page, "tune fades in for", "0");
  await setTo(page, "tune fades out for", "0");
  await page.getByLabel("Music back, dB").fill("0");
  const last = voice.getByRole("listitem", { name: "Bring a friend!" });
  await last.getByRole("button", { name: /^Bring a friend!/ }).click();
  await page.getByLabel("Heard instead of Bring a friend!").selectOption({ label: "take (no rights note)" });
  const begins = page.getByLabel("Bring a friend! begins at", { exact: true });
  const was = Number.parseFloat(await begins.inputValue());
  await setTo(page, "Bring a friend! begins at", (was + 0.3).toFixed(3));
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  const heard = await samplesOfFile(await renderedSquare(page, folder));
  const at = was + 0.3;
  const take = toneIn(heard, TAKE, [at + 0.1, at + 1.5]);
  expect(take).toBeGreaterThan(0.02);
  expect(toneIn(heard, TAKE, [at - 0.4, at - 0.02]) / take).toBeLessThan(0.05);
  expect(toneIn(heard, TAKE, [at + 2.1, 9.9]) / take).toBeLessThan(0.05);
  // The music is a fifth as strong as at its full level, over the take and without it.
  const music = toneIn(heard, MUSIC, [at + 0.2, at + 1.8]);
  await openSound(page);
  await voice.getByRole("listitem", { name: "Bring a friend!" }).getByRole("button", { name: /^Mute/ }).click();
  await page.getByRole("listitem", { name: "tune", exact: true }).getByRole("button", { name: /^tune/ }).click();
  await page.getByLabel("or per cent").fill("100");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const full = await samplesOfFile(await renderedSquare(page, folder));
  expect(toneIn(full, TAKE, [at + 0.1, at + 1.5]) / take).toBeLessThan(0.05);
  expect(toneIn(full, MUSIC, [at + 0.2, at + 1.8]) / music).toBeCloseTo(5, 0);
  await rm(folder, { recursive: true });
});
