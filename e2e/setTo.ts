import { type Page } from "@playwright/test";

/** Types what a field is to be, and takes it. */
export async function setTo(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press("Enter");
}
