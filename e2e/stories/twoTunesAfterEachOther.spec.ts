import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Locator, expect, test } from "@playwright/test";
import { ffmpeg } from "../files";
import { bringIn, toneFile } from "../lanes";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { samplesOfFile, toneIn } from "../samples";
import { setTo } from "../setTo";
import { renderedSquare } from "../startRender";

/**
 * A tune is cut to a length, fades in over its first second, and another follows it: both fade over each other, the second
 * goes out at the end. A voice comes over it, and it steps back. Each tune is a tone: what is audible when is measured.
 */

const [CHEERFUL, CALM, SPOKEN] = [440, 660, 1340] as const;

/** What ffmpeg's `ebur128` measures of a file: loudness in LUFS, true peak in dBTP. */
async function ebur128(file: string): Promise<{ integrated: number; peak: number }> {
  const { stderr } = await ffmpeg("-i", file, "-af", "ebur128=peak=true", "-f", "null", "-");
  const summary = stderr.slice(stderr.lastIndexOf("Summary:"));
  const value = (pattern: RegExp): number => Number(pattern.exec(summary)?.[1]);
  return { integrated: value(/I:\s+(-?[\d.]+) LUFS/), peak: value(/Peak:\s+(-?[\d.]+) dBFS/) };
}

/** A number that something says, written with a minus of its own. */
async function numberIn(said: Locator, pattern: RegExp): Promise<number> {
  return Number(pattern.exec(await said.innerText())?.[1]?.replace("−", "-"));
}

test("a tune is cut to length and faded in, a calmer one follows it to the end and steps back under a voice", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "two-tunes");
  await onlyIn(page, "square");
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByLabel("Its length is").selectOption({ label: "held to 10 s" });
  await expect(page.getByText("2 scenes · 10.00 s")).toBeVisible();

  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await bringIn(page, "music", await toneFile(folder, "cheerful", CHEERFUL, 8), "cheerful");
  await setTo(page, "cheerful is heard for", "5");
  await setTo(page, "cheerful fades in for", "1");
  await setTo(page, "cheerful fades out for", "0.5");
  await page.getByLabel("It fades").selectOption("equal power");
  await bringIn(page, "music", await toneFile(folder, "calm", CALM, 12), "calm");
  await setTo(page, "calm begins at", "4.5");
  await setTo(page, "calm fades in for", "0.5");
  await setTo(page, "calm fades out for", "1");
  await page.getByLabel("It fades").selectOption("equal power");
  await expect(page.getByRole("button", { name: "Music: calm" })).toBeVisible();

  const plain = await samplesOfFile(await renderedSquare(page, folder));
  const full = toneIn(plain, CHEERFUL, [2, 4]);
  expect(full).toBeGreaterThan(0.1);
  // Half way into its first second it has risen by a sine's half way.
  expect(toneIn(plain, CHEERFUL, [0.475, 0.525]) / full).toBeCloseTo(Math.SQRT1_2, 1);
  expect(toneIn(plain, CALM, [1, 4.4]) / full).toBeLessThan(0.01);
  // In the middle of where they meet both are as strong, and together as strong as one.
  const [leaves, comes] = [CHEERFUL, CALM].map((hertz) => toneIn(plain, hertz, [4.725, 4.775]) / full) as [
    number,
    number,
  ];
  expect(Math.abs(10 * Math.log10(leaves ** 2 + comes ** 2))).toBeLessThan(0.5);
  expect(toneIn(plain, CHEERFUL, [5.1, 9.9]) / full).toBeLessThan(0.01);
  const calm = toneIn(plain, CALM, [6, 8]);
  expect(toneIn(plain, CALM, [9.475, 9.525]) / calm).toBeCloseTo(Math.SQRT1_2, 1);

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await bringIn(page, "voice", await toneFile(folder, "spoken", SPOKEN, 2), "spoken");
  await setTo(page, "spoken begins at", "6");
  await page.getByLabel("Music back, dB").fill("14");
  await setTo(page, "Music steps back within", "0.3");
  await setTo(page, "Music comes forward within", "0.5");
  const file = await renderedSquare(page, folder);
  const under = await samplesOfFile(file);
  const decibels = (from: number, to: number): number => 20 * Math.log10(toneIn(under, CALM, [from, to]) / calm);
  // As deep as was asked for while the voice is heard, and as it was before and after.
  expect(Math.abs(decibels(6.1, 7.9) + 14)).toBeLessThan(1);
  expect(Math.abs(decibels(5.2, 5.6))).toBeLessThan(0.5);
  expect(Math.abs(decibels(8.55, 8.95))).toBeLessThan(0.5);
  expect(toneIn(under, SPOKEN, [6.1, 7.9])).toBeGreaterThan(0.1);
  expect(toneIn(under, SPOKEN, [8.1, 9.9])).toBeLessThan(0.001);

  // What the desk says of how loud it is, is what ffmpeg measures in the file.
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  const loudness = page.getByRole("group", { name: "Measured" });
  const measured = await ebur128(file);
  await expect
    .poll(async () => Math.abs((await numberIn(loudness, /(−?[\d.]+) LUFS/)) - measured.integrated))
    .toBeLessThan(0.3);
  expect(Math.abs((await numberIn(loudness, /(−?[\d.]+) dBTP/)) - measured.peak)).toBeLessThan(0.7);

  // Muted it is not there: the music stays as it was.
  await page.getByRole("button", { name: "Mute spoken" }).click();
  const muted = await samplesOfFile(await renderedSquare(page, folder));
  expect(toneIn(muted, SPOKEN, [6.1, 7.9])).toBeLessThan(0.001);
  expect(Math.abs(20 * Math.log10(toneIn(muted, CALM, [6.1, 7.9]) / calm))).toBeLessThan(0.1);

  // As loud as broadcasters ask: said by the desk once it is mixed, and so in the file.
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await page.getByLabel("Loudness wanted").selectOption({ label: "−23 LUFS, broadcast" });
  await setTo(page, "Peaks, dBTP", "-3");
  await expect.poll(async () => Math.abs((await numberIn(loudness, /(−?[\d.]+) LUFS/)) + 23)).toBeLessThan(0.2);
  // Heard alone, the desk measures that alone; the file has all.
  await page.getByRole("button", { name: "Hear calm alone" }).click();
  await expect(page.getByText("Of what is heard alone:")).toBeVisible();
  const broadcast = await ebur128(await renderedSquare(page, folder));
  expect(Math.abs(broadcast.integrated + 23)).toBeLessThanOrEqual(0.5);
  expect(broadcast.peak).toBeLessThanOrEqual(-3);
  await rm(folder, { recursive: true });
});
