import { type Page, expect, test } from "@playwright/test";
import { signInAs } from "./people";
import { startRender } from "./startRender";
import { putShortPromotion } from "./shortPromotion";
import { findWorker } from "./instanceProcesses";

/** The page of the queue, while the only worker stands still: what waits for it, and what becomes of that. */

async function renderShort(page: Page, slug: string): Promise<void> {
  await putShortPromotion(slug);
  await page.goto(`/promotions/${slug}/send`);
  await page.getByLabel("480p").check();
  await startRender(page, "Render 3 formats");
}

test("what waits stands in its order, goes to the front, is cancelled; who asked hears on another page that it is done", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  const worker = findWorker();
  if (worker === null) throw new Error("The instance under test has no worker.");
  process.kill(worker, "SIGSTOP");
  try {
    await renderShort(page, "queued-first");
    await renderShort(page, "queued-second");
    await expect(page.locator("li[data-state=waiting]").first()).toContainText(/waits|is next/);
    await page.goto("/queue");
    const waiting = page.getByRole("region", { name: "Waiting" }).getByRole("listitem");
    await expect(waiting).toHaveCount(6);
    await expect(waiting.first()).toContainText("queued-first");
    await expect(waiting.last()).toContainText(/queued-second.*480p · waits/s);
    const last =
      (await waiting
        .last()
        .getByRole("button", { name: /^Cancel/ })
        .getAttribute("aria-label")) ?? "";
    await waiting.last().getByRole("button", { name: "Move queued-second to the front" }).click();
    await expect(waiting.first().getByRole("button", { name: last, exact: true })).toBeVisible();
    // Of the rest none is lost.
    await expect(waiting).toHaveCount(6);
    await waiting
      .last()
      .getByRole("button", { name: /^Cancel queued-second/ })
      .click();
    await expect(waiting).toHaveCount(5);
    await page.goto("/media");
  } finally {
    process.kill(worker, "SIGCONT");
  }
  await expect(page.getByText("“queued-second” is rendered.")).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText("“queued-first” is rendered.")).toBeVisible({ timeout: 90_000 });
  await page.goto("/queue");
  const done = page.getByRole("region", { name: "Rendered today" }).getByRole("listitem");
  await expect(done.filter({ hasText: /queued-(first|second)/ })).toHaveCount(5);
  await expect(page.getByRole("figure", { name: /^Made in an hour: \d+ renditions and \d+ files$/ })).toBeVisible();
  await done.filter({ hasText: "queued-first" }).first().getByRole("link").click();
  await expect(page).toHaveURL(/queued-first\/send$/);
});

test("whoever walks through a page by keyboard comes past a notice that stands there", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  await putShortPromotion("walked-past");
  await page.goto("/promotions/walked-past/send");
  await page.getByLabel("480p").check();
  await startRender(page, "Render 3 formats");
  await page.goto("/promotions");
  await expect(page.getByText("“walked-past” is rendered.")).toBeVisible({ timeout: 90_000 });
  const before = page.getByRole("navigation", { name: "Main" }).getByRole("link", { name: "Promotions" });
  const notice = page.getByRole("listitem").filter({ hasText: "“walked-past” is rendered." });
  await before.focus();
  await notice.focus();
  await page.keyboard.press("Tab");
  await expect(notice.getByRole("button", { name: "Open" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(notice.getByRole("button", { name: "Open" })).not.toBeFocused();
  await expect(before).not.toBeFocused();
});
