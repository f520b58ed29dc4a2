import { expect, test } from "@playwright/test";
import { axeFaults } from "../axe";
import { closeDatabase } from "../../server/db/connect";
import { letOperate } from "../../server/people/newTeam";
import { joinByLink } from "../joinByLink";
import { ownTeam } from "../ownTeam";
import { query } from "../query";

test.afterAll(() => closeDatabase());

test("whoever runs the instance makes another team; its owner joins and finds it empty; what is done there is told to its owner", async ({
  page,
  browser,
  baseURL,
}) => {
  const context = baseURL ? { baseURL } : {};
  const first = await ownTeam("The first team");
  await first.promotion();
  await first.signIn(page, "owner");
  await page.goto("/teams");
  await expect(page.getByText("Teams are made by whoever runs this Stencilcraft.")).toBeVisible();
  const [owner] = await query<{ email: string }>("select email from member where team_id = $1", [first.scope.teamId]);
  await letOperate(owner?.email ?? "");

  const name = `Second ${Date.now()}`;
  await page.goto("/teams");
  await expect(page.getByRole("row", { name: /The first team your own 1 1/ }).first()).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByText("Write the name of the business.")).toBeVisible();
  await page.getByLabel("Business").fill(name);
  await page.getByRole("button", { name: "Make it" }).click();
  const link = await page.getByLabel("The link, shown this once").inputValue();
  await expect(page.getByRole("row", { name: `${name} 0 0` })).toBeVisible();

  const theirs = await browser.newContext(context);
  const second = await theirs.newPage();
  await joinByLink(second, link, "Odo Brandt");
  await second.goto("/promotions");
  await expect(second.getByText("None yet.", { exact: false })).toBeVisible();
  // Who owns a team does not run the instance.
  expect((await theirs.request.get("/teams")).status()).toBe(403);

  await second.goto("/team");
  await second.getByLabel("For whom").fill("Rosa");
  await second.getByRole("button", { name: "Make a link" }).click();
  const done = second.getByRole("region", { name: "What was done" }).getByRole("listitem");
  await expect(done).toHaveText([/Odo Brandt invited somebody as marketer: Rosa$/, /Odo Brandt joined as owner$/]);
  expect(await axeFaults(second)).toEqual([]);
  await theirs.close();
});
