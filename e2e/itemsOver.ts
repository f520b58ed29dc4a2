import { type Page } from "@playwright/test";

/** On the Fill desk, puts something with words over a scene. @param preset what it is called among what can be put in */
export async function addItem(page: Page, scene: string, preset: string, words: string): Promise<void> {
  await page.getByRole("button", { name: `Put something over scene ${scene}` }).click();
  await page.getByRole("button", { name: preset, exact: true }).click();
  const list = page.getByRole("list", { name: `Over ${scene}` });
  await list.getByRole("textbox").first().fill(words);
}

/** Opens the settings of an item by its words, and closes them again. */
export async function setItem(page: Page, words: string, set: (panel: Page) => Promise<void>): Promise<void> {
  await page.getByRole("button", { name: `“${words}”: size` }).click();
  await set(page);
  await page.keyboard.press("Escape");
}
