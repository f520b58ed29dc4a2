import { execFileSync } from "node:child_process";
import { expect, test } from "@playwright/test";
import { type OwnInstance, ownInstance } from "./ownInstance";

/** A newcomer's own Stencilcraft: started empty, set up, stopped, started again. */
let instance: OwnInstance;
test.beforeAll(async () => {
  instance = await ownInstance();
});
test.afterEach(({}, info) => {
  instance.explain(info);
});
test.afterAll(() => instance.remove());

test("the first person makes a team, a brand, a product and a promotion; all is there after a restart, and a stop leaves nothing running", async ({
  browser,
}) => {
  await instance.start();
  const context = await browser.newContext({ baseURL: instance.address, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto("/");
  await page.getByLabel("Business").fill("Tallowby Bakehouse");
  await page.getByLabel("Your name").fill("Oda Finch");
  await page.getByLabel("E-mail").fill("oda@tallowby.example.com");
  await page.getByLabel("Password").fill("short");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByRole("alert")).toHaveText("At least 10 characters.");
  await page.getByLabel("Password").fill("long enough for bread");
  await page.getByRole("button", { name: "Set up" }).click();
  await page.getByLabel("Brand name").fill("Tallowby");
  await page.getByRole("button", { name: "Start the book" }).click();
  await page.getByLabel("Call to action 1").fill("Come in, it is warm");
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText("Saved. Promotions show it")).toBeVisible();
  await page.goto("/catalogue");
  await page.getByRole("link", { name: "New product" }).click();
  const form = page.getByRole("form", { name: "New product" });
  await form.getByLabel("Name").fill("Rye loaf");
  await form.getByLabel("Price").fill("4.20");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("table")).toContainText("£4.20");
  await page.goto("/promotions/new");
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await expect(page.getByLabel("Product", { exact: true })).toHaveValue("Rye loaf");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await instance.stop("SIGINT");

  await instance.start();
  await page.goto("/promotions");
  await expect(page.getByText("Rye loaf: one product, one offer")).toBeVisible();
  await page.goto("/set-up");
  await expect(page).not.toHaveURL(/set-up/);
  await context.close();
  await instance.stop("SIGTERM");
  expect(execFileSync("ps", ["-eo", "args="]).toString()).not.toContain(instance.data);
});
