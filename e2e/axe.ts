import AxeBuilder from "@axe-core/playwright";
import { type Page } from "@playwright/test";

/** What axe finds on a page as it is now (WCAG 2.2 AA), each rule with what breaks it. */
export async function axeFaults(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    // Colour samples in the brand book are there to show what too little contrast looks like.
    .exclude("[data-sample]")
    // Stops that hand the focus on at the ends of a popover, by the library: nobody rests on them.
    .exclude("[data-headlessui-focus-guard]")
    // Nothing but what breaks a rule is asked for, and no frame of another origin is on any page.
    .options({ resultTypes: ["violations"], preload: false })
    .setLegacyMode()
    .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`);
}
