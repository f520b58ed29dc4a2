import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import { createPromotion } from "../../server/promotions/promotionStore";
import { closeDatabase } from "../../server/db/connect";
import { openFillDesk } from "../newPromotion";
import { type OwnTeam, ownTeam } from "../ownTeam";
import { bothSides, difference } from "../proofs";

/** A catalogue of hundreds: what stands far down in it is found by a word, listed with its price, and the promotion's own. */

let team: OwnTeam;
let slug: string;
test.beforeAll(async () => {
  team = await ownTeam("A long catalogue");
  const rows = Array.from({ length: 640 }, (_, at) => ({
    ...{ name: `Pot ${String(at + 1).padStart(3, "0")}`, line: "", price_minor: 400 + at, currency: "GBP" },
  }));
  const [first] = await team.scope.insert("product", rows).returning(["id", "name"]).execute();
  await team.scope
    .insert("product", {
      name: "Zinnia seed mix",
      line: "Sow in May",
      price_minor: 250,
      currency: "GBP",
      tags: ["seed"],
    })
    .execute();
  const { slug: usual } = await createPromotion(
    team.scope,
    { template: "this-week", product: first?.id ?? "", offer: null },
    null,
  );
  // Of its own in the whole instance: what the server paints is looked up by it alone.
  slug = `${usual}-${randomUUID().slice(0, 8)}`;
  await team.scope.update("promotion").set({ slug }).where("slug", "=", usual).execute();
});
test.afterAll(closeDatabase);

/** The middle of the list's scene, once all rows stand. */
const IN_THE_LIST = 7 * 30;

test("a product far down is found by a word, listed, and rendered as the proof shows it, also after a reload", async ({
  page,
}) => {
  await team.signIn(page, "designer");
  await openFillDesk(page, slug);
  const rows = page.getByRole("group", { name: /^Products, at most 6/ });
  await rows.getByRole("button", { name: "Take Pot 006 out" }).click();
  const box = rows.getByRole("combobox", { name: "Add a product to the list" });
  await box.click();
  // What is listed already is not offered again, and it is said how many more there are.
  await expect(page.getByRole("option", { name: /^Pot 006/ })).toBeVisible();
  await expect(page.getByRole("option", { name: /^Pot 005/ })).toHaveCount(0);
  await expect(page.getByText("601 more products: type a word of the one you want.")).toBeVisible();
  await box.fill("seed zin");
  const wanted = page.getByRole("option", { name: "Zinnia seed mix £2.50" });
  await expect(wanted).toBeVisible();
  await expect(page.getByRole("option")).toHaveCount(1);
  await page.keyboard.press("Enter");
  const row = rows.getByRole("button", { name: "Take Zinnia seed mix out" });
  await expect(row).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();

  await page.reload();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await expect(row).toBeVisible();
  await expect(page.getByText("a product that was removed")).toHaveCount(0);
  for await (const pair of bothSides(page, slug, [IN_THE_LIST])) expect(difference(pair)).toBeNull();
});

test("the promotion is made about it, and taken back by undoing", async ({ page }) => {
  const [first] = await team.scope.select("product").select("id").where("name", "=", "Pot 002").execute();
  const about = await createPromotion(
    team.scope,
    { template: "one-offer", product: first?.id ?? "", offer: null },
    null,
  );
  await team.signIn(page, "designer");
  await openFillDesk(page, about.slug);
  const box = page.getByRole("combobox", { name: "Product of the promotion" }).first();
  await expect(box).toHaveValue("Pot 002");
  await box.click();
  await box.fill("zinnia");
  await page.getByRole("option", { name: "Zinnia seed mix £2.50" }).click();
  await expect(box).toHaveValue("Zinnia seed mix");
  await expect(page.getByLabel("Product", { exact: true }).first()).toHaveValue("Zinnia seed mix");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(box).toHaveValue("Pot 002");
  await box.click();
  await box.fill("nothing is called so");
  await expect(page.getByText("No product is called that.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(box).toHaveValue("Pot 002");
});

test("an offer is made for it, and shows it first when it is opened again", async ({ page }) => {
  await team.signIn(page, "designer");
  await page.goto("/catalogue/offers?edit=new");
  await page.getByLabel("Name", { exact: true }).fill("Seed days");
  await page.getByLabel("Percent", { exact: true }).fill("20");
  await page.getByLabel("The offer is for").selectOption({ label: "chosen products" });
  const first = page.getByRole("checkbox", { name: /^(Pot|Zinnia)/ }).first();
  await expect(first).toHaveAccessibleName("Pot 001 £4.00");
  await page.getByLabel("Search products to mark").fill("zinnia");
  await page.getByRole("checkbox", { name: "Zinnia seed mix £2.50" }).check();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("row", { name: /^Zinnia seed mix .*£2\.00/ })).toBeVisible();
  await page
    .getByRole("link", { name: /^Change/ })
    .first()
    .click();
  await expect(first).toHaveAccessibleName("Zinnia seed mix £2.50");
  await expect(first).toBeChecked();
  // Who looks at something else for a moment loses no marks.
  await page.getByLabel("The offer is for").selectOption({ label: "all products" });
  await expect(first).toHaveCount(0);
  await page.getByLabel("The offer is for").selectOption({ label: "chosen products" });
  await expect(first).toHaveAccessibleName("Zinnia seed mix £2.50");
  await expect(first).toBeChecked();
});
