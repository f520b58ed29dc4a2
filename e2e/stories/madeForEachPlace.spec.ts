import { randomUUID } from "node:crypto";
import { mkdtemp, readFile, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { strFromU8, unzipSync } from "fflate";
import Papa from "papaparse";
import { closeDatabase } from "../../server/db/connect";
import { runProgram } from "../../server/media/program";
import { onlyIn, openFillDesk } from "../newPromotion";
import { ownTeam } from "../ownTeam";
import { frameAt } from "../videoFrames";
import { startRender } from "../startRender";

test.afterAll(() => closeDatabase());

async function downloaded(page: Page, button: string, folder: string): Promise<{ path: string; name: string }> {
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: button }).first().click();
  const download = await coming;
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  return { path, name: download.suggestedFilename() };
}

async function codecsOf(path: string): Promise<string[]> {
  const args = ["-v", "error", "-show_entries", "stream=codec_name", "-of", "csv=p=0", path];
  const { stdout } = await runProgram("ffprobe", args, { timeLimitMs: 30_000 });
  return stdout.trim().split(/\s+/);
}

/** A film that is a draft says so in its corner, at its beginning and later: light letters and a light edge on a dark pill. */
async function expectMarked(path: string): Promise<void> {
  for (const second of [0, 1.5]) {
    const { data, width } = await frameAt(path, second);
    const lightness = (x: number, y: number): number => {
      const at = (y * width + x) * 3;
      return data.subarray(at, at + 3).reduce((sum, one) => sum + one, 0) / 3;
    };
    const pill = Array.from({ length: 36 }, (_, step) => lightness(8 + step, 12));
    expect(Math.min(...pill)).toBeLessThan(80);
    expect(Math.max(...pill)).toBeGreaterThan(150);
    expect(lightness(10, 6)).toBeLessThan(90);
  }
}

test("a promotion is made as two places take it, small enough for a third, and for a page; files are called as wanted", async ({
  page,
}) => {
  const team = await ownTeam("Made for each place");
  const slug = await team.promotion();
  await team.signIn(page, "marketer");
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openFillDesk(page, slug);
  await onlyIn(page, "vertical");
  // Its own words in every scene: what looks the same was painted before.
  for (const field of await page.getByRole("textbox", { name: /headline/i }).all())
    await field.fill(`Here ${randomUUID().slice(0, 8)}`);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.goto(`/promotions/${slug}/send`);

  // For two places, as drafts: what is new is said before.
  await page.getByRole("button", { name: "Placements", exact: true }).click();
  await page.getByLabel(/Vertical short/).check();
  await page.getByLabel(/Story still/).check();
  await page.getByLabel("as 480p drafts").check();
  const takes = page.getByRole("status", { name: "What it takes" });
  await expect(takes).toContainText("% has to be painted");
  await page.getByRole("button", { name: /File names/ }).click();
  await page.getByLabel("Pattern").fill("{placement} {promotions}");
  await expect(page.getByText("“{promotions}” stands for nothing.", { exact: false })).toBeVisible();
  await page.getByLabel("Pattern").fill("{placement} {promotion} {quality}");
  await page.getByRole("button", { name: "Call files so" }).click();
  await startRender(page, "Render 2 placements");
  const ready = page.locator("li[data-state=ready]");
  await expect(ready).toHaveCount(2, { timeout: 120_000 });
  await expect(takes).toContainText("Nothing has to be painted again");
  const short = await downloaded(page, "Download Vertical short", folder);
  expect(short.name).toMatch(/^vertical-short-.*-480p\.mp4$/);
  expect(await codecsOf(short.path)).toEqual(["h264", "aac"]);
  await expectMarked(short.path);
  const still = await downloaded(page, "Download Story still", folder);
  expect(still.name).toMatch(/^story-still-.*-480p\.png$/);
  expect((await readFile(still.path)).subarray(1, 4).toString()).toBe("PNG");
  const zip = await downloaded(page, "All as zip", folder);
  const inside = unzipSync(new Uint8Array(await readFile(zip.path)));
  expect(Object.keys(inside).toSorted()).toEqual(["manifest.csv", "manifest.json", still.name, short.name].toSorted());
  const listed = Papa.parse<Record<string, string>>(strFromU8(inside["manifest.csv"] ?? new Uint8Array()), {
    header: true,
    skipEmptyLines: true,
  });
  expect(listed.data.map(({ file, placement }) => [file, placement]).toSorted()).toEqual([
    [still.name, "story-still"],
    [short.name, "vertical-short"],
  ]);

  // Under a limit that its quality would not keep by itself.
  await page.getByRole("button", { name: "Formats", exact: true }).click();
  await page.getByLabel("480p").check();
  const limit = 0.1;
  expect((await stat(short.path)).size).toBeGreaterThan(limit * 1e6);
  await page.getByLabel("Most MB").fill(String(limit));
  await startRender(page, "Render 1 format");
  await expect(ready).toHaveCount(3, { timeout: 120_000 });
  const small = await downloaded(page, "Download vertical", folder);
  const bytes = (await stat(small.path)).size;
  expect(bytes).toBeLessThanOrEqual(limit * 1e6);
  expect(bytes).toBeGreaterThanOrEqual(limit * 0.9e6);

  // For a web page, without painting anything again; and what can't be done is said.
  await page.getByLabel("Most MB").fill("0.01");
  await page.getByRole("button", { name: "Render 1 format" }).click();
  await expect(page.getByText("At least 0.1 MB.").first()).toBeVisible();
  await page.getByLabel("Kind of file").selectOption({ label: "WebM, VP9" });
  await page.getByLabel("Most MB").fill("");
  await expect(takes).toContainText("Nothing has to be painted again");
  await startRender(page, "Render 1 format");
  await expect(ready).toHaveCount(4, { timeout: 120_000 });
  const web = await downloaded(page, "Download vertical WebM, VP9", folder);
  expect(await codecsOf(web.path)).toEqual(["vp9", "opus"]);
  expect(web.name).toMatch(/\.webm$/);

  // For other programs: on paper, and for editing.
  const board = await downloaded(page, "Storyboard", folder);
  expect((await readFile(board.path)).subarray(0, 5).toString()).toBe("%PDF-");
  const timeline = await downloaded(page, "Timeline", folder);
  expect(JSON.parse(await readFile(timeline.path, "utf8"))).toMatchObject({ OTIO_SCHEMA: "Timeline.1" });
});
