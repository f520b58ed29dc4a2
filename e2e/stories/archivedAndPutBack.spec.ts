import { expect, test } from "@playwright/test";
import { closeDatabase } from "../../server/db/connect";
import { ownTeam } from "../ownTeam";

test.afterAll(() => closeDatabase());

test("what is done with is archived, taken back, found among the archived, and removed for good", async ({ page }) => {
  const team = await ownTeam("Tidy");
  const slug = await team.promotion();
  await team.signIn(page, "marketer");
  await page.goto("/promotions");
  const list = page.getByRole("checkbox", { name: /^Mark / });
  await expect(list).toHaveCount(1);
  const name = (await page.getByRole("checkbox", { name: /^Mark / }).getAttribute("aria-label"))?.slice(5) ?? "";
  const mark = page.getByRole("checkbox", { name: `Mark ${name}` });
  await mark.check();
  await page.getByRole("button", { name: "Archive", exact: true }).click();
  await expect(page.getByText("1 promotion archived.")).toBeVisible();
  await expect(list).toHaveCount(0);
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(list).toHaveCount(1);

  await mark.check();
  await page.getByRole("button", { name: "Archive", exact: true }).click();
  await expect(list).toHaveCount(0);
  // Whoever has the address still gets there.
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await page.goto("/promotions?state=archived");
  await expect(list).toHaveCount(1);
  await mark.check();
  await page.getByRole("button", { name: "Remove …" }).click();
  await page.getByRole("button", { name: "Remove for good" }).click();
  await expect(page.getByText("1 promotion removed for good.")).toBeVisible();
  await expect(list).toHaveCount(0);
  expect((await page.request.get(`/promotions/${slug}`)).status()).toBe(404);
});
