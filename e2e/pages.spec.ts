import { type Locator, type Page, expect, test } from "@playwright/test";
import { axeFaults } from "./axe";
import { signInAs } from "./people";

/** Every page and what can be opened on it. The workshop's states are in workshop.spec.ts, where they are reached. */
const PAGES: readonly (readonly [path: string, shows: string])[] = [
  ["/", "Good day, Tamsin"],
  ["/brand-book", "Save the book"],
  ["/brand-book/sheet", "Terracotta"],
  ["/catalogue", "Hand-thrown pot, 24 cm"],
  ["/catalogue?product=new", "New product"],
  ["/catalogue/offers", "Spring compost"],
  ["/catalogue/offers?edit=new", "New offer"],
  ["/catalogue/import", "Import a list"],
  ["/media?words=herb-tray", "herb-tray.jpg"],
  ["/media/shelf", "backgrounds"],
  ["/media/backdrops", "Words"],
  ["/templates", "One product, one offer"],
  ["/promotions", "Potting week, terracotta"],
  ["/promotions?view=list&from=2020-01-01", "Take these away"],
  ["/promotions/new", "Fill the first version"],
  ["/promotions/potting-week-terracotta", "Call to action"],
  ["/promotions/potting-week-terracotta/proof", "How it is framed"],
  ["/promotions/potting-week-terracotta/pace", "As its words need"],
  ["/promotions/potting-week-terracotta/send", "What you get"],
  ["/promotions/potting-week-terracotta/review", "Share by link"],
  ["/promotions/potting-week-terracotta/post", "What the posts say"],
  ["/channels", "Posted lately"],
  ["/channels/placements", "Vertical short"],
  ["/channels/placements?edit=vertical-short", "What is drawn over the picture there"],
  ["/queue", "At work"],
];

/** A telephone, a large screen, and the usual one, which stays. */
const WINDOWS = [
  [390, 844],
  [1920, 1080],
  [1280, 800],
] as const;

/** What can be opened on the desks: what is pressed, and what is there then. */
const OPENED: readonly (readonly [desk: string, press: RegExp, opened: (page: Page) => Locator])[] = [
  ["", /^Put something over scene Headline/, (page) => page.getByRole("button", { name: "Label", exact: true })],
  ["", /^Scene 1: arrangement/, (page) => page.getByRole("button", { name: "Take out" })],
  ["", /^Put an emoji in/, (page) => page.getByLabel("Search emoji by name")],
  ["", /^Find words/, (page) => page.getByLabel("Replace by")],
  ["", /^Choose picture/i, (page) => page.getByLabel("Search media by name or tag")],
  ["", /^Versions/, (page) => page.getByLabel("Name of the version")],
  ["", /^Empty scene/, (page) => page.getByRole("dialog").getByRole("heading").first()],
  ["/proof", /^Findings/, (page) => page.getByText("Report:")],
  ["/proof", /^Large/, (page) => page.getByLabel("beside")],
  ["/pace", /^Frames$/, (page) => page.getByRole("button", { name: /needs .+ s of/ }).first()],
  ["/pace", /^Add a shot to/, (page) => page.getByLabel("Search media by name or tag")],
  ["/pace", /^Look of/, (page) => page.getByRole("list", { name: "Looks" }).getByText("terracotta")],
  ["/pace", /^Sound$/, (page) => page.getByRole("button", { name: "Add music …" })],
  ["/pace", /^Add music/, (page) => page.getByRole("button", { name: /^Hear / }).first()],
  ["/pace", /^Have a script spoken/, (page) => page.getByLabel(/^Script, spoken from/)],
  ["/pace", /^Record a voice/, (page) => page.getByRole("button", { name: /^Record from/ })],
  ["/pace", /^Captions$/, (page) => page.getByRole("button", { name: "New caption here" })],
  ["/pace", /^From a script/, (page) => page.getByLabel(/^What is said/)],
];

test("what is opened on the desks passes axe (WCAG 2.2 AA)", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  for (const desk of ["", "/proof", "/pace"]) {
    await page.goto(`/promotions/potting-week-terracotta${desk}`);
    await expect(page.getByRole("button", { name: "Play", exact: true })).toBeEnabled();
    for (const [of, press, opened] of OPENED)
      if (of === desk)
        await test.step(`${desk} ${press}`, async () => {
          await page.getByRole("button", { name: press }).first().click();
          await expect(opened(page)).toBeVisible();
          expect.soft(await axeFaults(page), String(press)).toEqual([]);
          await page.keyboard.press("Escape");
        });
  }
});

test("after a navigation the page's heading has the focus, unless the page puts it into a field", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/");
  const main = page.getByRole("navigation", { name: "Main" });
  await main.getByRole("link", { name: "Catalogue" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Catalogue" })).toBeFocused();
  await main.getByRole("link", { name: "Promotions" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Promotions" })).toBeFocused();
  await page.getByRole("listitem").getByRole("link").first().click();
  await expect(page.getByRole("heading", { level: 1, name: /: Fill$/ })).toBeFocused();
  await page.getByRole("navigation", { name: "Desks" }).getByRole("link", { name: "Proof" }).click();
  await expect(page.getByRole("heading", { level: 1, name: /: Proof$/ })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByLabel("Name of the promotion")).toBeFocused();
});

test("every page shows what it is for, passes axe (WCAG 2.2 AA) and does not scroll sideways", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  for (const [path, shows] of PAGES)
    await test.step(path, async () => {
      await page.goto(path);
      // A page that failed to load, or is blank, has no fault that axe could find.
      await expect(page.getByText(shows).first(), path).toBeVisible();
      // Fields are closed until the page’s code has taken over.
      await expect(page.locator("fieldset[disabled]")).toHaveCount(0);
      expect.soft(await axeFaults(page), path).toEqual([]);
      for (const [width, height] of WINDOWS) {
        await page.setViewportSize({ width, height });
        // What is laid out by its measured size follows a frame later.
        await expect
          .soft(
            async () =>
              expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width),
            {
              message: `${path} at ${width}`,
            },
          )
          .toPass({ timeout: 2000 });
      }
    });
});
