import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
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
  ["/promotions/new", "Fill the first version"],
  ["/promotions/potting-week-terracotta", "Call to action"],
  ["/promotions/potting-week-terracotta/proof", "How it is framed"],
  ["/promotions/potting-week-terracotta/send", "What you get"],
];

/** A large screen, and the usual one, which stays; the desks on a telephone too. */
const windowsOf = (path: string): readonly (readonly [width: number, height: number])[] => [
  ...(path.startsWith("/promotions/potting-week") ? [[390, 844] as const] : []),
  [1920, 1080],
  [1280, 800],
];

/** What can be opened on the desks: how, and what is there then. */
const OPENED: readonly (readonly [desk: string, press: readonly RegExp[], shows: RegExp])[] = [
  ["", [/^Put something over scene Headline/], /Label/],
  ["", [/^Scene 1: arrangement/], /Take out/],
  ["", [/^Put an emoji in/], /./],
  ["", [/^Find words/], /Replace by/],
  ["", [/^Choose picture/i], /asked|fits/],
  ["", [/^Versions/], /version/i],
  ["", [/^Empty scene/], /arrangement/i],
  ["/proof", [/^Findings/], /Report/],
];

test("what is opened on the desks passes axe (WCAG 2.2 AA)", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  for (const [desk, press, shows] of OPENED)
    await test.step(`${desk} ${press.join()}`, async () => {
      await page.goto(`/promotions/potting-week-terracotta${desk}`);
      await expect(page.getByRole("button", { name: "Play", exact: true })).toBeEnabled();
      for (const name of press) await page.getByRole("button", { name }).first().click();
      await expect(page.getByText(shows).last()).toBeVisible();
      const { violations } = await new AxeBuilder({ page })
        // Stops that hand the focus on at the ends of a popover, by the library: nobody rests on them.
        .exclude("[data-headlessui-focus-guard]")
        .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
        .analyze();
      expect
        .soft(
          violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`),
          press.join(),
        )
        .toEqual([]);
    });
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
      // Colour samples in the brand book are there to show what too little contrast looks like.
      const { violations } = await new AxeBuilder({ page })
        .exclude("[data-sample]")
        .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
        .analyze();
      expect
        .soft(
          violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`),
          path,
        )
        .toEqual([]);
      for (const [width, height] of windowsOf(path)) {
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
