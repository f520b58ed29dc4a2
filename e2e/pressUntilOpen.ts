import { type Locator, expect } from "@playwright/test";

/**
 * Opens what a button opens. A page that has just come can't answer yet, and a button may move in the very moment of the press:
 * whoever sees nothing open presses again.
 */
export async function pressUntilOpen(button: Locator): Promise<void> {
  await expect(async () => {
    if ((await button.getAttribute("aria-expanded")) !== "true") await button.click();
    await expect(button).toHaveAttribute("aria-expanded", "true", { timeout: 1000 });
  }).toPass();
}
