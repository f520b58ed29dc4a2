import { type Page, expect } from "@playwright/test";
import { type Person, signInAs } from "./people";
import { putShortPromotion } from "./shortPromotion";

/** Makes a promotion as a person does, and gives its slug. */
export async function newPromotion(page: Page, template: string, product: string): Promise<string> {
  await page.goto(`/promotions/new?template=${template}`);
  await page.getByText(product, { exact: true }).first().click();
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await page.waitForURL(/\/promotions\/(?!new)/);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  return new URL(page.url()).pathname.split("/").at(-1) ?? "";
}

/** On the Fill desk, makes a promotion in one of the usual formats alone. @param title of the format */
export async function onlyIn(page: Page, title: "square" | "vertical" | "widescreen"): Promise<void> {
  await page.getByRole("button", { name: "Formats" }).click();
  for (const other of ["square", "vertical", "widescreen"])
    if (other !== title) await page.getByRole("checkbox", { name: other }).uncheck();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("img", { name: /proof$/ })).toHaveCount(1);
}

/** Puts a promotion of two seconds in, as `putShortPromotion` says, and opens its Fill desk, as a marketer if nobody else. */
export async function openShortPromotion(page: Page, slug: string, person: Person = "Tamsin Kell"): Promise<void> {
  await putShortPromotion(slug);
  await signInAs(page, person);
  await openFillDesk(page, slug);
}

/** Opens the Fill desk of a promotion with words, and waits until it works: what is pressed before is pressed in vain. */
export async function openFillDesk(page: Page, slug: string): Promise<void> {
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
}
