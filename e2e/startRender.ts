import { downloadRendition } from "./ownClips";
import { type Page, expect } from "@playwright/test";

/** Presses Render. What a promotion that is short on purpose must have mended is let pass, with a reason. */
export async function startRender(page: Page, button: string | RegExp): Promise<void> {
  await expect(page.getByRole("button", { name: button })).toBeVisible();
  const before = await page.locator("li[data-state]").count();
  await page.getByRole("button", { name: button }).click();
  await letPass(page, before);
}

/** Once Render was pressed, lets what must be mended pass, if anything must. @param before how many renditions there were */
export async function letPass(page: Page, before = 0): Promise<void> {
  const renditions = page.locator("li[data-state]");
  const blocked = page.getByRole("alert", { name: "What must be mended" });
  const refused = page.getByRole("main").getByRole("alert");
  // What is rendered is looked through and listened to first, beside whatever else renders.
  const seen = expect.poll(
    async () => {
      if (await blocked.isVisible()) return "blocked";
      if ((await renditions.count()) > before) return "rendering";
      return (await refused.allInnerTexts()).join(" ");
    },
    { timeout: 60_000 },
  );
  await seen.toMatch(/^blocked$|^rendering$/);
  if (!(await blocked.isVisible())) return;
  await page.getByLabel("Or say why it may be rendered as it is").fill("Short on purpose");
  await page.getByRole("button", { name: "Let it pass and render" }).click();
  await expect(page.getByText("let", { exact: false }).filter({ hasText: "Short on purpose" }).first()).toBeVisible();
}

/** From the Proof desk on, has a draft rendered in every format, and waits for all of them. */
export async function renderDrafts(page: Page, formats: number): Promise<void> {
  await page.getByRole("link", { name: "On to rendering" }).click();
  await page.getByLabel("480p").check();
  const render = /^Render \d+ formats?$/;
  await expect(page.getByRole("button", { name: render })).toBeVisible();
  const ready = page.locator("li[data-state=ready]");
  const before = await ready.count();
  await startRender(page, render);
  await expect(ready).toHaveCount(before + formats, { timeout: 90_000 });
}

/** From a desk on, once all is saved, has a draft of a promotion in square alone rendered, and gives the file. */
export async function renderedSquare(page: Page, folder: string): Promise<string> {
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Proof", exact: true }).click();
  // The desk that is left has a link to rendering too.
  await page.waitForURL(/\/proof$/);
  await renderDrafts(page, 1);
  return downloadRendition(page, "square", folder);
}
