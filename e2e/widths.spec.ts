import { expect, test } from "@playwright/test";
import { signInAs } from "./people";

const PROMOTION = "/promotions/potting-week-terracotta";
const PAGES = [
  ...[
    "/",
    "/you",
    "/team",
    "/teams",
    "/queue",
    "/brand-book",
    "/brand-book/sheet",
    "/catalogue",
    "/catalogue?product=new",
  ],
  ...[
    "/catalogue/offers",
    "/catalogue/offers?edit=new",
    "/catalogue/import",
    "/media",
    "/media/shelf",
    "/media/backdrops",
  ],
  ...[
    "/templates",
    "/promotions",
    "/promotions?view=list&from=2020-01-01",
    "/promotions/new",
    PROMOTION,
    `${PROMOTION}/proof`,
    `${PROMOTION}/pace`,
  ],
  ...[
    `${PROMOTION}/send`,
    `${PROMOTION}/review`,
    "/channels/placements",
    "/channels/placements?edit=vertical-short",
    "/nowhere/at/all",
  ],
];

for (const width of [390, 768, 1280, 1920])
  test(`no page scrolls sideways where the window is ${width} px wide`, async ({ page }) => {
    await signInAs(page, "Imre Vass");
    await page.setViewportSize({ width, height: 800 });
    const wide: string[] = [];
    for (const path of PAGES) {
      await page.goto(path);
      await expect(page.locator("main, h1").first()).toBeVisible();
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      if (over > 0) wide.push(`${path}: ${over} px`);
    }
    expect(wide).toEqual([]);
  });
