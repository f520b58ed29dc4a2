import { type Page, expect } from "@playwright/test";

/** Makes a promotion as a person does, and gives its slug. */
export async function newPromotion(page: Page, template: string, product: string): Promise<string> {
  await page.goto(`/promotions/new?template=${template}`);
  await page.getByText(product, { exact: true }).first().click();
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await page.waitForURL(/\/promotions\/(?!new)/);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  return new URL(page.url()).pathname.split("/").at(-1) ?? "";
}
