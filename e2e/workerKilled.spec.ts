import { execFileSync } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffprobe } from "./files";
import { signInAs } from "./people";

/** The worker process of the instance under test: the child of its start command that carries that title. */
function workerPid(): number {
  const rows = execFileSync("ps", ["-eo", "pid=,ppid=,comm="])
    .toString()
    .trim()
    .split("\n")
    .map((row) => row.trim().split(/\s+/));
  const row = rows.find(
    ([, parent, title]) => parent === process.env["INSTANCE_PID"] && title?.startsWith("stencilcraft-wo"),
  );
  if (!row) throw new Error("The instance under test has no worker.");
  return Number(row[0]);
}

test("a worker killed in the middle of a render ends with whole files after its restart, never a partial one", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/herb-friday-tray/send");
  await page.getByLabel("480p").check();
  await page.getByRole("button", { name: "Render 3 formats" }).click();
  const first = page.locator("li[data-format=square]").first();
  await expect
    .poll(async () => Number(await first.getByRole("progressbar").getAttribute("aria-valuenow")), { timeout: 60_000 })
    .toBeGreaterThan(3);
  process.kill(workerPid(), "SIGKILL");
  await expect(page.getByRole("link", { name: "Download square" })).toBeHidden();
  for (const format of ["square", "vertical", "widescreen"])
    await expect(page.locator(`li[data-format=${format}]`).first()).toHaveAttribute("data-state", "ready", {
      timeout: 120_000,
    });
  for (const format of ["square", "vertical", "widescreen"]) {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page
        .getByRole("link", { name: `Download ${format}` })
        .first()
        .click(),
    ]);
    const path = join(folder, download.suggestedFilename());
    await download.saveAs(path);
    expect((await ffprobe(path)).video["nb_read_frames"]).toBe("450");
  }
  await rm(folder, { recursive: true });
});

test("a rendition can be cancelled and taken up again", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/potting-week-terracotta/send");
  await page.getByLabel("480p").check();
  await page.getByRole("button", { name: "Render 3 formats" }).click();
  await page.getByRole("button", { name: "Cancel widescreen" }).click();
  const widescreen = page.locator("li[data-format=widescreen]").first();
  await expect(widescreen).toHaveAttribute("data-state", "cancelled");
  await expect(page.locator("li[data-format=square]").first()).toHaveAttribute("data-state", "ready", {
    timeout: 90_000,
  });
  await expect(widescreen).toHaveAttribute("data-state", "cancelled");
  await page.getByRole("button", { name: "Retry widescreen" }).click();
  await expect(widescreen).toHaveAttribute("data-state", "ready", { timeout: 90_000 });
});
