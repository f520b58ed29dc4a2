import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import jsqr from "jsqr";
import { newPromotion } from "./newPromotion";
import { signInAs } from "./people";
import { FORMATS, goToFrame, pixels, savedProof } from "./proofs";
import { openSceneTools } from "./sceneTools";

/** Each template with a scene of it; that the proof of every arrangement equals its render is in proofEqualsRender.spec.ts. */
const INSERTED = [
  ["In their words", "Quote"],
  ["You are invited", "Sign-off"],
] as const;

let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterAll(() => rm(folder, { recursive: true }));

test("the gallery finds templates by purpose, length, needs and words, plays them, and keeps favourites", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/templates");
  const found = page.getByRole("region", { name: "Templates found" });
  await expect(
    found.getByRole("listitem", { name: "One product, one offer" }).locator("[data-preview=resting]"),
  ).toBeVisible();
  expect(await found.getByRole("listitem").count()).toBeGreaterThanOrEqual(17);

  await page.getByRole("radio", { name: /before and after/ }).check({ force: true });
  await expect(found.getByRole("heading")).toHaveText(["Before and after"]);
  await page.getByRole("button", { name: "Play Before and after" }).focus();
  await expect(found.locator("[data-preview=resting]")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(found.locator("[data-preview=playing]")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(found.locator("[data-preview=resting]")).toBeVisible();
  // It is shown at once, and kept a moment later.
  const kept = page.waitForResponse((answer) => answer.request().method() === "POST");
  await page.getByRole("button", { name: "Before and after is a favourite" }).click();
  await kept;
  await expect(page.getByRole("button", { name: "Before and after is a favourite" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );

  await page.goto("/templates?shelf=favourites");
  await expect(found.getByRole("heading")).toHaveText(["Before and after"]);
  await page.getByRole("button", { name: "Before and after is a favourite" }).click();
  await expect(found).toContainText("No template answers that");

  await page.goto("/templates");
  await page.getByLabel("Length").selectOption("30");
  await expect(found.getByRole("heading")).toHaveText(["Good to know", "Step by step"]);
  await page.getByLabel("Length").selectOption("");
  await page.getByLabel("What it needs").selectOption("words only");
  await expect(found.getByRole("heading")).toHaveText(["Opening hours"]);
  await page.getByLabel("What it needs").selectOption("");
  await page.getByLabel("Search templates").fill("invitation code");
  await expect(found.getByRole("heading")).toHaveText(["You are invited"]);
  await page.getByLabel("Shown in the brand").selectOption("Tallowby Bakehouse");
  await expect(page).toHaveURL(/brand=/);
  await expect(found.locator("[data-preview=resting]")).toBeVisible();
});

test("scenes of any template go into a promotion, where one is asked to put them; a code in one of them can be read", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "before-and-after", "Meadow seed mix");
  for (const [template, scene] of INSERTED) {
    await page.getByRole("button", { name: "Insert scenes" }).click();
    const dialog = page.getByRole("dialog");
    await dialog.getByRole("button", { name: new RegExp(`^${template}`) }).click();
    await dialog.getByRole("checkbox", { name: new RegExp(scene) }).check();
    await dialog.getByLabel("Put them in").selectOption({ label: "after scene 1" });
    await dialog.getByRole("button", { name: "Insert the scene" }).click();
    await expect(dialog).toBeHidden();
  }
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await page.reload();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  // The one put in last stands second.
  const scenes = page.getByTestId("copy-deck").getByRole("region", { name: /^Scene \d+/ });
  await expect(page.getByRole("slider", { name: "Place in time" })).toContainText(String(INSERTED.length + 2));
  const second = (await scenes.nth(1).locator(".figures").first().textContent()) ?? "";
  const [, seconds = ""] = /^\d\d:(\d\d)/.exec(second) ?? [];
  await goToFrame(page, (Number(seconds) + 3) * 30);
  for (const format of FORMATS) {
    const { data, width, height } = await pixels(await savedProof(page, format));
    expect(jsqr(data, width, height)?.data).toBe("https://quillfern.example.com");
  }
});

test("an arrangement is swapped and the template changed; fills are kept, what finds no place is named, undo brings all back", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await page.getByRole("textbox", { name: "Headline" }).fill("Kept through everything");
  await openSceneTools(page, 1);
  await page.getByRole("combobox", { name: /^Arrangement/ }).selectOption("Split");
  await expect(page.getByText("A picture beside or above its words.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("textbox", { name: "Headline" })).toHaveValue("Kept through everything");

  await page.getByRole("button", { name: "Change the template" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: /^Price on a card/ }).click();
  await expect(dialog.getByRole("status")).toContainText("Headline: “Kept through everything”");
  await dialog.getByRole("button", { name: "Change the template" }).click();
  await expect(page.getByRole("region", { name: "Kept aside" })).toContainText("Kept through everything");
  await expect(page.getByTestId("copy-deck").getByRole("region", { name: /^Scene \d+/ })).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("textbox", { name: "Headline" })).toHaveValue("Kept through everything");
  await expect(page.getByTestId("copy-deck").getByRole("region", { name: /^Scene \d+/ })).toHaveCount(4);
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
});

test("what a template locks is closed to a marketer, and refused by the server in words", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  const slug = await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await openSceneTools(page, 4);
  await expect(page.getByRole("button", { name: "Take out (locked)" })).toBeDisabled();
  await expect(page.getByLabel("Arrangement (locked)")).toBeDisabled();
  const refusals = (): Promise<unknown> =>
    page.evaluate(async (address) => {
      const desk = await fetch(`${address}/edits`, {
        method: "POST",
        body: JSON.stringify({
          base: 1,
          edits: [
            {
              label: "Arrangement",
              patch: [
                {
                  op: "add",
                  path: "/adjustments/sign-off/arrangement",
                  value: { name: "words-only", words: "top", align: "start" },
                },
              ],
            },
          ],
        }),
      });
      return ((await desk.json()) as { refused?: unknown }).refused;
    }, `/promotions/${slug}`);
  expect(await refusals()).toEqual([
    {
      index: 0,
      problem:
        "The arrangement of scene “Sign-off” is locked by the template. A designer can change it, or unlock it in the template.",
    },
  ]);
});

test("a designer keeps a promotion as a template, gives it away as a package and brings it back; a marketer fills it", async ({
  page,
  browser,
}) => {
  await signInAs(page, "Delphine Orrow");
  await newPromotion(page, "price-on-a-card", "Hand-thrown pot, 24 cm");
  await page
    .getByRole("textbox", { name: /^Product/ })
    .first()
    .fill("Our house pot");
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await page.getByRole("button", { name: "Keep as a template" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name of the template").fill("House pot card");
  await dialog.getByRole("checkbox", { name: /^Product/ }).check();
  await dialog.getByRole("button", { name: "Keep the template" }).click();
  await expect(page.getByText("“House pot card” is among the team's templates now.")).toBeVisible();

  await page.goto("/templates?shelf=own");
  const found = page.getByRole("region", { name: "Templates found" });
  // Other tests keep templates of their own meanwhile.
  const own = found.getByRole("heading", { name: "House pot card" });
  await expect(own).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save House pot card as a package" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("house-pot-card.template.zip");
  const path = join(folder, "house-pot-card.template.zip");
  await download.saveAs(path);
  await page.getByLabel("Template package").setInputFiles(path);
  await expect(own).toHaveCount(2);
  await page
    .getByLabel("Template package")
    .setInputFiles({ name: "not-one.zip", mimeType: "application/zip", buffer: Buffer.from("hello") });
  await expect(
    page.getByText("“not-one.zip” is not a zip, or it is damaged. Export the template again."),
  ).toBeVisible();

  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  await signInAs(other, "Tamsin Kell");
  await newPromotion(other, "house-pot-card", "Kitchen herb tray");
  const product = other.getByRole("textbox", { name: /^Product/ }).first();
  await expect(product).toHaveValue("Our house pot");
  await expect(product).toHaveAttribute("readonly", "");
  for (const format of FORMATS) await expect(other.getByRole("img", { name: `${format} proof` })).toBeVisible();
  await context.close();
});

test("a designer makes a template from nothing and publishes it; a marketer fills it; both see the three formats all the time", async ({
  page,
  browser,
}) => {
  const trio = async (on: Page): Promise<void> => {
    for (const format of FORMATS) await expect(on.getByRole("img", { name: `${format} proof` })).toBeVisible();
  };
  await signInAs(page, "Delphine Orrow");
  await page.goto("/templates");
  await page.getByRole("button", { name: "New template" }).click();
  await page.waitForURL(/\/workshop$/);
  await trio(page);
  await page.getByLabel("Name of the template").fill("Tip of the day");
  await page.getByLabel("What it is for").selectOption("tips");
  await page.getByRole("button", { name: "Add a scene" }).click();
  await page
    .getByRole("list", { name: "Scenes" })
    .getByRole("button", { name: /Scene 2/ })
    .click();
  await page.getByRole("textbox", { name: "Name of the scene" }).fill("The tip");
  await page.getByRole("combobox", { name: /^Arrangement/ }).selectOption("Full picture");
  await page.getByLabel("Words stand at the").selectOption("top");
  const headline = page.getByRole("group", { name: "Slot Headline" });
  await headline.getByLabel("Until it is filled").fill("Water in the morning");
  await headline.getByRole("textbox", { name: "Label" }).fill("Tip");
  await page.getByRole("group", { name: "Slot Tip" }).getByRole("checkbox", { name: "its presence" }).uncheck();
  await page.getByLabel("Add a slot").selectOption("Words");
  await expect(page.getByRole("group", { name: "Slot Line" })).toBeVisible();
  await trio(page);
  await page.getByLabel("Tried with").selectOption("right to left");
  await page.getByLabel("Tried with").selectOption("longest words");
  await trio(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("group", { name: "Slot Line" })).toBeHidden();
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await page.getByRole("button", { name: "Publish" }).click();
  await page.waitForURL(/shelf=own/);
  await expect(page.getByRole("heading", { name: "Tip of the day" })).toBeVisible();

  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  await signInAs(other, "Tamsin Kell");
  await other.goto("/templates?shelf=own");
  await expect(other.getByRole("button", { name: "New template" })).toBeHidden();
  await other.getByRole("listitem", { name: "Tip of the day" }).getByRole("link", { name: "Fill" }).click();
  await other.getByRole("button", { name: "Fill the first version" }).click();
  await other.waitForURL(/\/promotions\/(?!new)/);
  await trio(other);
  await other.getByRole("textbox", { name: "Tip" }).fill("Water at dawn");
  await trio(other);
  await expect(other.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await context.close();
});
