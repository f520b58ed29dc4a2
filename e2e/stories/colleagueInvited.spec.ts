import { expect, test } from "@playwright/test";
import { ownTeam } from "../ownTeam";

test("an owner invites a colleague by a link; the colleague joins, is made a reviewer, changes the password, and is taken out", async ({
  page,
  browser,
  baseURL,
}) => {
  const team = await ownTeam("Two of us");
  await team.signIn(page, "owner");
  await page.goto("/team");
  await page.getByLabel("For whom").fill("Ines");
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = await page.getByLabel("The link, shown this once").inputValue();
  await expect(page.getByText("A marketer: Ines")).toBeVisible();

  const theirs = await browser.newContext(baseURL ? { baseURL } : {});
  const colleague = await theirs.newPage();
  await colleague.goto(link);
  await expect(colleague.getByRole("heading", { name: "Join Two of us" })).toBeVisible();
  await colleague.getByLabel("Your name").fill("Ines Vale");
  await colleague.getByLabel("E-mail").fill(`ines-${Date.now()}@example.com`);
  await colleague.getByLabel("Password").fill("a long password");
  await colleague.getByRole("button", { name: "Join", exact: true }).click();
  await expect(colleague.getByRole("heading", { name: "Good day, Ines" })).toBeVisible();
  // The link was good once.
  const late = await theirs.newPage();
  await late.goto(link);
  await expect(late.getByRole("heading", { name: "This link is no good any more" })).toBeVisible();

  await page.reload();
  await page.getByRole("button", { name: "Ines Vale: marketer" }).click();
  await page.getByRole("menuitem", { name: "Make reviewer" }).click();
  await expect(page.getByRole("button", { name: "Ines Vale: reviewer" })).toBeVisible();

  await colleague.goto("/you");
  await colleague.getByLabel("The one you have").fill("not it at all");
  await colleague.getByLabel("Another one").fill("another long password");
  await colleague.getByRole("button", { name: "Change password" }).click();
  await expect(colleague.getByText("This is not your password.")).toBeVisible();
  await colleague.getByLabel("The one you have").fill("a long password");
  await colleague.getByRole("button", { name: "Change password" }).click();
  await expect(colleague.getByText("Your password is changed.")).toBeVisible();
  // A reviewer sees who is there, and changes nobody.
  await colleague.goto("/team");
  await expect(colleague.getByText("Only an owner of the team changes who is in it.")).toBeVisible();
  await expect(colleague.getByRole("button", { name: /What to change/ })).toHaveCount(0);

  page.on("dialog", (dialog) => void dialog.accept());
  await page.getByRole("button", { name: "Ines Vale: reviewer" }).click();
  await page.getByRole("menuitem", { name: "Take out of the team" }).click();
  await expect(page.getByText("That person is out of the team")).toBeVisible();
  await colleague.goto("/catalogue");
  await expect(colleague.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await theirs.close();
});
