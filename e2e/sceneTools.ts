import { type Page } from "@playwright/test";
import { pressUntilOpen } from "./pressUntilOpen";

/** Opens the settings of a scene on the Fill desk. @param scene as it is counted on the sheet, from 1 */
export const openSceneTools = (page: Page, scene: number): Promise<void> =>
  pressUntilOpen(page.getByRole("button", { name: new RegExp(`^Scene ${scene}: arrangement`) }));
