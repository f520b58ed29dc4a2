import { type Page, expect } from "@playwright/test";

/** Signs in through the page as one of the demo's people. */
export async function signInAs(
  page: Page,
  name: "Tamsin Kell" | "Delphine Orrow" | "Imre Vass" | "Bram Okoro",
): Promise<void> {
  await page.goto("/sign-in");
  await page.getByRole("button", { name: `Sign in as ${name}` }).click();
  await expect(page.getByRole("heading", { name: /Good day/ })).toBeVisible();
}
