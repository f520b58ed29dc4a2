import { type Page, expect } from "@playwright/test";
import { newPromotion, onlyIn } from "./newPromotion";
import { openSceneTools } from "./sceneTools";

/** Makes a promotion of three strips alone, so many seconds long, in vertical only, and gives its slug. */
export async function stripsAlone(page: Page, product: string, seconds: number): Promise<string> {
  const slug = await newPromotion(page, "three-strips", product);
  // The strips alone, for as long as the clips are.
  for (let more = 4; more > 0; more--) {
    await openSceneTools(page, 2);
    await page.getByRole("button", { name: "Take out" }).click();
    // The strip of time shows every scene, and where it stands.
    await expect(page.getByRole("slider", { name: "Place in time" }).locator("> div")).toHaveCount(more + 1);
  }
  await openSceneTools(page, 1);
  await page.getByLabel("Length in seconds").fill(String(seconds));
  await page.keyboard.press("Escape");
  // For one place only, which is upright.
  await onlyIn(page, "vertical");
  return slug;
}
