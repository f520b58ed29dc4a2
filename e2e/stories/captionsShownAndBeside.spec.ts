import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { INK, widest } from "../colorRuns";
import { ffmpeg } from "../files";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { renderedSquare } from "../startRender";
import { frameAt } from "../videoFrames";

/** Most people watch without sound: captions are brought in, mended and shown; in another language they go beside the file. */

const BROUGHT =
  "\uFEFF1\r\n00:00:00,100 --> 00:00:00,800\r\nPots on <b>Friday</b>\r\n\r\n" +
  '2\r\n00:00:01,000 --> 00:00:01,900\r\n<font color="red">Come erly</font>\r\n';

/** How wide the plate of a caption is at a time, as a share of the frame, wherever it found its place. */
async function plateAt(path: string, seconds: number): Promise<number> {
  const frame = await frameAt(path, seconds);
  return widest(frame, INK, 0.1, 0.97).width / frame.width;
}
const captions = (page: Page, language: string) =>
  page.getByRole("list", { name: `Captions in ${language}` }).getByRole("listitem");

/** The times and words of a caption file, as ffmpeg reads them. */
async function readByFfmpeg(folder: string, file: string): Promise<string> {
  const out = join(folder, "read.srt");
  await ffmpeg("-i", file, out);
  return (await readFile(out, "utf8")).replaceAll("\r\n", "\n").trim();
}

test("captions from a SubRip file are mended and shown in their time; German ones are written beside the video", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "captions-shown");
  await onlyIn(page, "square");
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Captions", exact: true }).click();
  const file = join(folder, "brought.srt");
  await writeFile(file, BROUGHT);
  await page.getByLabel("Caption file").setInputFiles(file);
  await expect(captions(page, "en")).toHaveCount(2);
  await expect(page.getByText("Colours, classes and other styles inside captions were left out.")).toBeVisible();
  // Mended, and ended a little sooner.
  await page
    .getByRole("button", { name: /Come erly$/ })
    .first()
    .click();
  await page.getByLabel("Words of the caption").fill("Come early, it is a small shop");
  await page.getByLabel("Out", { exact: true }).fill("1.7");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Caption “Come early, it is a small shop”" })).toBeVisible();
  // In German too, for those who ask for it.
  await page.getByLabel("Written in").selectOption({ label: "another …" });
  await page.getByLabel("Its tag (de, pt-BR)").fill("de");
  await page.getByRole("button", { name: "From a script" }).click();
  await page.getByLabel(/^What is said/).fill("Töpfe am Freitag. Kommt früh!");
  await page.getByRole("button", { name: "Make 2 captions" }).click();
  await expect(captions(page, "de")).toHaveCount(2);
  await expect(page.getByRole("combobox", { name: "Shown" })).toHaveValue("en");

  const rendered = await renderedSquare(page, folder);
  const shown = await Promise.all([0.03, 0.5, 0.9, 1.4, 1.85].map((seconds) => plateAt(rendered, seconds)));
  expect(shown.map((share) => share > 0.2)).toEqual([false, true, false, true, false]);

  const beside = async (name: string): Promise<string> => {
    const [started] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name, exact: true }).click(),
    ]);
    const path = join(folder, name);
    await started.saveAs(path);
    return path;
  };
  expect(await readByFfmpeg(folder, await beside("en.vtt"))).toBe(
    "1\n00:00:00,100 --> 00:00:00,800\nPots on <i>Friday</i>\n\n2\n00:00:01,000 --> 00:00:01,700\nCome early, it is a small shop",
  );
  expect(await readByFfmpeg(folder, await beside("de.srt"))).toMatch(/Töpfe am Freitag\.[\s\S]+Kommt früh!$/);
  await rm(folder, { recursive: true });
});
