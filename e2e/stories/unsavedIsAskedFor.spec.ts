import { expect, test } from "@playwright/test";
import { ownTeam } from "../ownTeam";

test("a colour that is none is never said to be saved; a book with changes is left only after a question", async ({
  page,
}) => {
  const team = await ownTeam("Careful");
  await team.signIn(page, "owner");
  await page.goto("/brand-book");
  await page.getByLabel("Phone").fill("01632 960 555");
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText("Saved. Promotions show it from now on.")).toBeVisible();
  await page.getByLabel("ink colour, hex").fill("no colour");
  await page.getByLabel("Website").click();
  await expect(page.getByText("“no colour” is not a colour")).toBeVisible();
  await expect(page.getByText("Saved. Promotions show it from now on.")).toBeHidden();
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByRole("status").filter({ hasText: "can’t be saved: ink is not a colour" })).toBeVisible();
  await expect(page.getByText("Saved. Promotions show it from now on.")).toBeHidden();

  const asked: string[] = [];
  let answer = false;
  page.on("dialog", (dialog) => {
    asked.push(dialog.message());
    void (answer ? dialog.accept() : dialog.dismiss());
  });
  await page.getByRole("link", { name: "Catalogue" }).click();
  await expect.poll(() => asked.length).toBe(1);
  await expect(page.getByRole("heading", { name: "Brand book" })).toBeVisible();
  answer = true;
  await page.getByRole("link", { name: "Catalogue" }).click();
  await expect(page.getByRole("heading", { name: "Catalogue" })).toBeVisible();
  expect(asked).toHaveLength(2);
});
