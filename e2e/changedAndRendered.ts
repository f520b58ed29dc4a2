import { type Page, expect } from "@playwright/test";
import { renderDrafts } from "./startRender";

/** Changes the first words of a promotion, and waits until they are kept. */
export async function writeHeadline(page: Page, slug: string, words: string): Promise<void> {
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await page
    .getByRole("textbox", { name: /headline/i })
    .first()
    .fill(words);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
}

/** Renders drafts of a promotion that is made in one format. */
export async function renderDraft(page: Page, slug: string): Promise<void> {
  await page.goto(`/promotions/${slug}/proof`);
  await renderDrafts(page, 1);
}
