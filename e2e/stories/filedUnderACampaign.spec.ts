import { expect, test } from "@playwright/test";
import { axeFaults } from "../axe";
import { closeDatabase } from "../../server/db/connect";
import { ownTeam } from "../ownTeam";

test.afterAll(() => closeDatabase());

test("promotions are renamed where they are listed, filed under a campaign, and found again by it, as pictures and as rows", async ({
  page,
}) => {
  const team = await ownTeam("Filed");
  for (let count = 0; count < 3; count++) await team.promotion();
  await team.signIn(page, "marketer");
  await page.goto("/promotions");
  const marks = page.getByRole("checkbox", { name: /^Mark / });
  await expect(marks).toHaveCount(3);

  await page
    .getByRole("button", { name: /^Rename / })
    .first()
    .click();
  await page.getByRole("textbox", { name: /^Name of / }).fill("Open late in May");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("link", { name: "Open late in May", exact: true })).toBeVisible();
  // What is given up with Escape stays as it was.
  await page.getByRole("button", { name: "Rename Open late in May" }).click();
  await page.getByRole("textbox", { name: "Name of Open late in May" }).fill("Nothing");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("link", { name: "Open late in May", exact: true })).toBeVisible();

  await page.getByRole("checkbox", { name: "Mark Open late in May" }).check();
  await marks.nth(1).check();
  await page.getByLabel("Campaign").last().fill("Spring");
  await page.getByRole("button", { name: "File under it" }).click();
  await expect(page.getByText("2 promotions filed.")).toBeVisible();
  await page.getByRole("search").getByLabel("Campaign").selectOption("Spring");
  await expect(marks).toHaveCount(2);

  await page.getByRole("group", { name: "Show as" }).getByRole("button", { name: "List" }).click();
  const row = page.getByRole("row").filter({ hasText: "Open late in May" });
  await expect(row).toContainText("Not rendered");
  await expect(row).toContainText("Spring");
  await page.reload();
  await expect(page.getByRole("row")).toHaveCount(3);
  expect(await axeFaults(page)).toEqual([]);

  await page.getByRole("search").getByText("Narrow it further").click();
  await page.getByLabel("Template").selectOption("opening-hours");
  await expect(page.getByRole("row")).toHaveCount(3);
  await page.getByLabel("Changed from").fill("2099-01-01");
  await expect(page.getByText("Nothing fits", { exact: false })).toBeVisible();
  await page.getByRole("link", { name: "Take these away" }).click();
  await expect(page.getByRole("row")).toHaveCount(3);
});
