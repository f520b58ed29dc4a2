import { type Page, expect } from "@playwright/test";

/** Joins a team by a link that invites somebody, as a person of that name. */
export async function joinByLink(page: Page, link: string, name: string): Promise<void> {
  const [first = ""] = name.split(" ");
  await page.goto(link);
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("E-mail").fill(`${first.toLowerCase()}-${Date.now()}@example.com`);
  await page.getByLabel("Password").fill("a long password");
  await page.getByRole("button", { name: "Join", exact: true }).click();
  await expect(page.getByRole("heading", { name: `Good day, ${first}` })).toBeVisible();
}
