import { expect, test } from "@playwright/test";
import jsqr from "jsqr";
import sharp from "sharp";
import { axeFaults } from "../axe";
import { closeDatabase } from "../../server/db/connect";
import { renderDraft, writeHeadline } from "../changedAndRendered";
import { onlyIn, openFillDesk } from "../newPromotion";
import { joinByLink } from "../joinByLink";
import { ownTeam } from "../ownTeam";
import { query } from "../query";

test.afterAll(() => closeDatabase());

test("who was invited makes a promotion, has it approved on a phone, and again after a word, posts it, and sees it seen", async ({
  page: owner,
  browser,
  baseURL,
}) => {
  const context = baseURL ? { baseURL } : {};
  const team = await ownTeam("From invitation to chart");
  const slug = await team.promotion();
  await team.signIn(owner, "owner");
  await owner.goto("/team");
  await owner.getByLabel("For whom").fill("Ines");
  await owner.getByRole("button", { name: "Make a link" }).click();
  const invitation = await owner.getByLabel("The link, shown this once").inputValue();
  const theirs = await browser.newContext(context);
  const page = await theirs.newPage();
  await joinByLink(page, invitation, "Ines Vale");

  await openFillDesk(page, slug);
  await onlyIn(page, "vertical");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await renderDraft(page, slug);
  await page.getByRole("link", { name: "Review", exact: true }).click();
  await page.getByRole("button", { name: /Share by link/ }).click();
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = await page.getByLabel("The link, shown this once").inputValue();
  const phone = await (await browser.newContext({ ...context, viewport: { width: 390, height: 844 } })).newPage();
  const approve = async (): Promise<void> => {
    await phone.goto(link);
    const deciding = phone.getByRole("form", { name: "Decide" });
    await deciding.getByLabel("Your name").fill("Rosa");
    await deciding.getByRole("button", { name: "Approve" }).click();
    await expect(phone.getByText("This very version is approved.", { exact: false })).toBeVisible();
  };
  await approve();
  // The owner, elsewhere in the app, is told.
  await expect(owner.getByText("Rosa approved", { exact: false })).toBeVisible();

  await writeHeadline(page, slug, "Open on Sunday");
  await page.goto(`/promotions/${slug}/post`);
  await page.getByRole("button", { name: "Suggest words" }).click();
  await page.getByRole("textbox", { name: "Title" }).fill("Open on Sunday, too");
  await page.getByRole("textbox", { name: "Link" }).fill("https://shop.example.com/hours");
  await page.getByRole("button", { name: "Keep the words" }).click();
  await expect(page.getByText("The words are kept.")).toBeVisible();
  const code = page.getByAltText("QR code of https://shop.example.com/hours");
  await expect(code).toBeVisible();
  // As a phone's camera reads it.
  const seen = await sharp(await code.screenshot())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = seen.info;
  expect(jsqr(new Uint8ClampedArray(seen.data), width, height)?.data).toBe("https://shop.example.com/hours");
  const short = page.getByRole("listitem", { name: "Vertical short on Tallview" });
  await expect(short.getByText(/title 19 \/ 100/)).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  // What was approved is not what it is now: nobody posts it unawares.
  await short.getByRole("button", { name: "Post now" }).click();
  await expect(short.getByText("It was changed since it was approved.", { exact: false })).toBeVisible();
  await renderDraft(page, slug);
  await approve();

  // Planned, taken back, then posted.
  await page.goto(`/promotions/${slug}/post`);
  const year = new Date().getFullYear() + (new Date().getMonth() === 11 ? 1 : 0);
  const month = String(((new Date().getMonth() + 1) % 12) + 1).padStart(2, "0");
  await short.getByLabel(/^When/).fill(`${year}-${month}-15T09:30`);
  await short.getByRole("button", { name: "Plan it", exact: true }).click();
  // A draft is nothing to post: that is said, too.
  await expect(short.getByText("The file is a 480p draft.", { exact: false })).toBeVisible();
  await expect(short.getByText("approved", { exact: false })).toHaveCount(0);
  await short.getByRole("button", { name: "Plan it anyway" }).click();
  await expect(page.locator("li[data-state=scheduled]")).toHaveCount(1);
  await page.getByRole("button", { name: "Take back Vertical short" }).click();
  await expect(page.locator("li[data-state=cancelled]")).toHaveCount(1);
  await short.getByLabel(/^When/).fill("");
  await short.getByRole("button", { name: /^Post (now|it anyway)$/ }).click();
  const anyway = short.getByRole("button", { name: "Post it anyway" });
  const live = page.locator("li[data-state=live]");
  await expect.poll(async () => (await anyway.isVisible()) || (await live.count()) > 0).toBe(true);
  if (await anyway.isVisible()) await anyway.click();
  await expect(live).toHaveCount(1, { timeout: 30_000 });

  const there = await theirs.newPage();
  await there.goto((await page.getByRole("link", { name: "See it there" }).getAttribute("href")) ?? "");
  await expect(there.getByRole("heading", { name: "Open on Sunday, too" })).toBeVisible();
  const film = there.locator("video");
  await expect.poll(() => film.evaluate((video: HTMLVideoElement) => video.duration)).toBeGreaterThan(5);
  // How often it was seen is asked for once it is live.
  const seenSoFar = async (): Promise<string | null> => {
    const [sum] = await query<{ views: string | null }>(
      "select sum(views) as views from post_views where team_id = $1",
      [team.scope.teamId],
    );
    return sum?.views ?? null;
  };
  await expect.poll(seenSoFar).not.toBeNull();
  const views = await seenSoFar();
  await page.getByRole("link", { name: "Channels" }).click();
  await expect(page.getByRole("figure", { name: new RegExp(`^${views} views in all`) })).toBeVisible();
  expect(Number(views)).toBeGreaterThan(0);
  expect(await axeFaults(page)).toEqual([]);
  const calendar = await (await page.request.get("/channels/calendar.ics")).text();
  expect(calendar).toContain("BEGIN:VEVENT");
});
