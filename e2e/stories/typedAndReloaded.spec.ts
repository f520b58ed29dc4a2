import { expect, test } from "@playwright/test";
import { closeDatabase } from "../../server/db/connect";
import { ownTeam } from "../ownTeam";

test.afterAll(() => closeDatabase());

test("what was typed a moment before the page is loaded anew is saved, and nobody is asked", async ({ page }) => {
  const team = await ownTeam("In a hurry");
  const slug = await team.promotion();
  await team.signIn(page, "marketer");
  await page.goto(`/promotions/${slug}`);
  const headline = page.getByLabel("Headline", { exact: true });
  await expect(headline).toBeEnabled();
  const asked: string[] = [];
  page.on("dialog", (dialog) => {
    asked.push(dialog.message());
    void dialog.accept();
  });
  await headline.fill("Open until nine on Friday");
  await page.reload();
  await expect(page.getByLabel("Headline", { exact: true })).toHaveValue("Open until nine on Friday");
  expect(asked).toEqual([]);
});
