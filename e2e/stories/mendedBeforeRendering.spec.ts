import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { openShortPromotion } from "../newPromotion";
import { query } from "../query";

/** Mistakes are met on the Proof desk before a render, mended from the list, and what is meant to be so is let pass. */

const findings = (page: Page) => page.getByRole("button", { name: /^Findings \d+$/ });
const rows = (page: Page, words: string | RegExp) => page.getByRole("listitem").filter({ hasText: words });

/** What a report has in it, as it is downloaded. */
async function contentOf(page: Page, kind: string): Promise<string> {
  const link = page.getByText("Report:").getByRole("link", { name: kind });
  const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
  return readFile(await download.path(), "utf8");
}

test("five findings are met and mended from the list; what is left is let pass with a reason, which is kept with the render", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "mended-first");
  await page.getByLabel("Headline", { exact: true }).first().fill("Only at Quilfern this week");
  await page.getByRole("link", { name: "On to the proofs" }).click();

  // Two more faults, made where they are made: a picture enlarged too far, and one cut down to nothing of its subject.
  const cell = (scene: number) => page.getByRole("button", { name: new RegExp(`^Scene ${scene}, .*, square:`) });
  await cell(1).click();
  await page.getByLabel("Enlarged %").fill("400");
  await cell(2).click();
  await page.getByLabel("From left").fill("80");
  await page.getByLabel("Width", { exact: true }).fill("20");
  await findings(page).click();

  await expect(rows(page, "“Quilfern” is not how “Quillfern” is spelt")).toHaveCount(1);
  await page.getByRole("button", { name: "Write “Quillfern”" }).click();
  await expect(rows(page, "is spelt")).toHaveCount(0);

  await expect(rows(page, "of its pixels: it will look soft").first()).toBeVisible();
  await page.getByRole("button", { name: "Show it no larger than it must be" }).first().click();
  await expect(rows(page, "it will look soft")).toHaveCount(0);

  await expect(rows(page, "its subject is cropped away").first()).toBeVisible();
  await page.getByRole("button", { name: "Keep the subject in the middle" }).first().click();
  await expect(rows(page, "its subject is cropped away")).toHaveCount(0);

  // Too short to read: the scenes are made as long as their words need.
  await expect(rows(page, "too short to read").first()).toBeVisible();
  const before = Number(await page.getByRole("slider", { name: "Place in time" }).getAttribute("aria-valuemax"));
  await rows(page, "Scene 1").getByRole("button", { name: "Length" }).first().click();
  await expect(rows(page, /Scene 1.*too short to read/)).toHaveCount(0);
  await rows(page, "Scene 2").getByRole("button", { name: "Length" }).first().click();
  await expect
    .poll(async () => Number(await page.getByRole("slider", { name: "Place in time" }).getAttribute("aria-valuemax")))
    .toBeGreaterThan(before + 1000);

  // Every mending was an edit like any other: the last is undone, so something is left that must be mended.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(rows(page, "too short to read").first()).toBeVisible();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  // What is left can be handed on: as a page, and as data with the same findings as the list.
  const shown = Number((await findings(page).textContent())?.match(/\d+/)?.[0]);
  const report = JSON.parse(await contentOf(page, "JSON")) as {
    readonly promotion: string;
    readonly findings: readonly { readonly place: string; readonly words: string }[];
  };
  expect(report.promotion).toBe("mended-first");
  expect(report.findings).toHaveLength(shown);
  expect(report.findings[0]).toMatchObject({
    words: "too short to read",
    place: expect.stringMatching(/^Scene 2/),
  });
  const written = await contentOf(page, "page");
  expect(written).toContain("<title>mended-first: what was found</title>");
  expect(written.match(/class="finding"/g)).toHaveLength(shown);

  await page.getByRole("link", { name: "On to rendering" }).click();
  await page.getByLabel("480p").check();
  await page.getByRole("button", { name: "Render 3 formats" }).click();
  const blocked = page.getByRole("alert", { name: "What must be mended" });
  await expect(blocked).toContainText("Scene 2");
  await expect(page.locator("li[data-state]")).toHaveCount(0);
  // A colleague's render of it comes along meanwhile: the page loads it, and still says what must be mended.
  const loaded = page.waitForResponse(/\/send\.data/);
  await query(
    `select pg_notify('stencilcraft_team_events', json_build_object('team', team_id, 'event', json_build_object(
       'topic', 'rendition', 'id', 'of-a-colleague', 'promotion', slug, 'name', name, 'by', null, 'left', 1,
       'state', 'waiting', 'progress', 0))::text)
     from promotion where slug = $1`,
    ["mended-first"],
  );
  await loaded;
  await expect(blocked).toContainText("Scene 2");
  await page.getByRole("button", { name: "Let it pass and render" }).click();
  await expect(blocked).toContainText("Say in a few words why");
  await page.getByLabel("Or say why").fill("The price is on the shop window as well");
  await page.getByRole("button", { name: "Let it pass and render" }).click();
  await expect(page.getByText(/Tamsin Kell let \d pass: The price is on the shop window as well/)).toBeVisible();
  await expect(page.locator("li[data-state=ready]")).toHaveCount(3, { timeout: 90_000 });

  const link = page.getByRole("link", { name: "Download square", exact: true });
  const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  expect((await ffprobe(path)).video).toMatchObject({ width: 480, height: 480 });
  await rm(folder, { recursive: true });
});
