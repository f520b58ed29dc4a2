import { type Page, expect } from "@playwright/test";

/**
 * Opens the settings of a scene on the Fill desk. A band above may grow by a finding in the very moment of the press, which
 * then goes beside the button: whoever sees nothing open presses again.
 *
 * @param scene as it is counted on the sheet, from 1
 */
export async function openSceneTools(page: Page, scene: number): Promise<void> {
  const button = page.getByRole("button", { name: new RegExp(`^Scene ${scene}: arrangement`) });
  await expect(async () => {
    if ((await button.getAttribute("aria-expanded")) !== "true") await button.click();
    await expect(button).toHaveAttribute("aria-expanded", "true", { timeout: 1000 });
  }).toPass();
}
