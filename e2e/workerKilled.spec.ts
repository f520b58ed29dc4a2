import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "./files";
import { signInAs } from "./people";
import { FORMATS } from "./proofs";
import { startRender } from "./startRender";
import { findWorker } from "./instanceProcesses";
import { putShortPromotion } from "./shortPromotion";

const FRAMES = "60";

function workerPid(): number {
  const pid = findWorker();
  if (pid === null) throw new Error("The instance under test has no worker.");
  return pid;
}

/** Opens the Send desk of a new promotion of two seconds and renders it at full size. */
async function renderShort(page: Page, slug: string): Promise<void> {
  await putShortPromotion(slug);
  await signInAs(page, "Tamsin Kell");
  await page.goto(`/promotions/${slug}/send`);
  await page.getByLabel("1080p").check();
  await startRender(page, "Render 3 formats");
}

const rendition = (page: Page, format: string) => page.locator(`li[data-format=${format}]`).first();
const ready = (page: Page, format: string) =>
  expect(rendition(page, format)).toHaveAttribute("data-state", "ready", { timeout: 90_000 });

async function downloaded(page: Page, format: string, folder: string): Promise<string> {
  const link = page.getByRole("link", { name: `Download ${format}` }).first();
  const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  return path;
}

let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterAll(() => rm(folder, { recursive: true }));

test("a worker killed in the middle of a render ends with whole files after its restart, never a partial one", async ({
  page,
}) => {
  await renderShort(page, "killed-halfway");
  await expect
    .poll(async () => Number(await rendition(page, "square").getByRole("progressbar").getAttribute("aria-valuenow")), {
      timeout: 60_000,
    })
    .toBeGreaterThan(0);
  process.kill(workerPid(), "SIGKILL");
  await expect(page.getByRole("link", { name: "Download square" })).toBeHidden();
  for (const format of FORMATS) await ready(page, format);
  for (const format of FORMATS) {
    const { video } = await ffprobe(await downloaded(page, format, folder));
    expect(video["nb_read_frames"]).toBe(FRAMES);
  }
});

test("a rendition can be cancelled and taken up again; the others are not held up", async ({ page }) => {
  await renderShort(page, "cancelled-halfway");
  await page.getByRole("button", { name: "Cancel widescreen" }).click();
  await expect(rendition(page, "widescreen")).toHaveAttribute("data-state", "cancelled");
  await ready(page, "square");
  await expect(rendition(page, "widescreen")).toHaveAttribute("data-state", "cancelled");
  await page.getByRole("button", { name: "Retry widescreen" }).click();
  await ready(page, "widescreen");
  const { video } = await ffprobe(await downloaded(page, "widescreen", folder));
  expect([video["width"], video["height"], video["nb_read_frames"]]).toEqual([1920, 1080, FRAMES]);
});
